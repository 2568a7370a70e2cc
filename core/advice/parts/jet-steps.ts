/** The sizes in which a family of jets is made, as far as the box shows them. */

import type { Build, JetPart } from "../../log/schema.ts";

/** Jets by diameter come in steps of 2 to 2.5; where the box shows finer ones, those exist. */
const USUAL_STEP = 2.5;

/** @returns the finest step between sizes of the box */
export function stepOf(sizes: readonly number[]): number {
  const gaps = sizes.slice(1).map((size, i) => size - (sizes[i] ?? size));
  return Math.min(USUAL_STEP, ...gaps.filter((gap) => gap >= 1));
}

/** The plain jets of the box: a drilled one, or one of another family, is in step with nothing. */
export const plainSizes = ({ box }: Build, part: JetPart): readonly number[] =>
  part === "main" ? box.mains : box.pilots;

/**
 * @param towards - the number that physics asks for, beyond one end of the box
 * @returns the size of this family nearest to it, at least one step beyond that end
 */
export function sizeBeyond(sizes: readonly number[], towards: number): number {
  const step = stepOf(sizes);
  const [low = towards, high = towards] = [sizes[0], sizes.at(-1)];
  const end = towards >= high ? high : low;
  const steps = Math.max(1, Math.round(Math.abs(towards - end) / step));
  return Math.round((end + (towards >= high ? 1 : -1) * steps * step) * 10) / 10;
}
