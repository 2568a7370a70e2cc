/** How often a random test is run: briefly on every change, at length with `npm run test:long`. */
const LONG = process.env["TAMIS_LONG"] !== undefined;

/** @param name - of the environment variable that says another number */
export const runs = (name: string, brief: number, long: number): number =>
  Number(process.env[name] ?? (LONG ? long : brief));
