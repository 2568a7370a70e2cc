import { type Space } from "#app/store/space.ts";

export const megabytes = (bytes: number): string =>
  bytes < 1e9 ? `${(bytes / 1e6).toFixed(1)} MB` : `${(bytes / 1e9).toFixed(1)} GB`;

/** How much is kept here, and whether the browser may clear it away. */
export function spaceWords({ usedBytes, ofBytes, promised }: Space): string {
  const used =
    usedBytes === undefined || ofBytes === undefined
      ? "This browser does not say how much room there is."
      : `Tamis takes ${megabytes(usedBytes)} of the ${megabytes(ofBytes)} that this browser gives it.`;
  if (promised === undefined) return used;
  return promised
    ? `${used} It has promised to keep it.`
    : `${used} It has not promised to keep it when the device runs short: export what matters.`;
}
