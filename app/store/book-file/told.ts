/** Progress and cancellation of reading and importing a file. */
import { BadFile } from "../failure.ts";

/** @param share - how far it is, 0..1; @returns whether to go on */
export type Told = (share: number) => boolean | Promise<boolean>;

/** @returns what is called after each of `steps` steps; @throws {BadFile} once it is stopped */
export function stepsTold(told: Told | undefined, steps: number, from = 0, to = 1): () => Promise<void> {
  let done = 0;
  return async () => {
    done += 1;
    const goOn = (await told?.(from + ((to - from) * done) / steps)) ?? true;
    if (!goOn) throw new BadFile("Stopped. Nothing was imported.");
  };
}
