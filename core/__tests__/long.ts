/** Number of runs of a property test: few on every change, many with `npm run test:long`. */
const LONG = process.env["TAMIS_LONG"] !== undefined;

/** @param name - of the environment variable that says another number */
export const runs = (name: string, brief: number, long: number): number =>
  Number(process.env[name] ?? (LONG ? long : brief));
