import { type Space } from "#app/store/space.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

export const megabytes = (bytes: number): string =>
  bytes < 1e9 ? `${fixed(bytes / 1e6, 1)} MB` : `${fixed(bytes / 1e9, 1)} GB`;

/** How much is kept here, and whether the browser may clear it away. */
export function spaceWords({ usedBytes, ofBytes, promised }: Space): string {
  const used =
    usedBytes === undefined || ofBytes === undefined
      ? "This browser does not say how much room there is."
      : `Tamis takes ${megabytes(usedBytes)} of the ${megabytes(ofBytes)} that this browser gives it.`;
  if (promised === undefined) return used;
  return promised
    ? `${used} It has promised not to delete it.`
    : `${used} If the device runs out of space, the browser may delete this. Keep a backup.`;
}
