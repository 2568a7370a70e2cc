/**
 * The last advice of each rig, so that a later visit shows its card at once. It counts only for exactly what it was worked
 * out from: this revision of the log, this judge, and what other rigs say of the instruments.
 */
import type { AirEntry, InstrumentMessage } from "#core/log/schema.ts";
import type { CheckName } from "#core/log/walk-round-names.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import { JUDGE } from "#app/workers/client.ts";
import { revisionKey, type Revision } from "#app/workers/revision.ts";
import { databaseOf } from "./practice-rigs.ts";

/** What a rig shows of itself without being opened. */
export interface RigFaceKept {
  readonly advice: Advice;
  readonly air: AirEntry | undefined;
  /** checks that hold the card back */
  readonly held: readonly CheckName[];
}

interface Kept extends RigFaceKept {
  readonly revision: string;
  readonly judge: string;
  readonly heard: string;
  readonly seal: string;
}

const keyOf = (rigId: string): string => `${rigId}/advice`;
const stampOf = (revision: Revision, heard: readonly InstrumentMessage[]) => ({
  revision: revisionKey(revision),
  judge: JUDGE,
  heard: JSON.stringify(heard),
});

/** FNV-1a, 32 bits: tells what was written from what has become of it. */
function sealOf({ advice, air, held }: RigFaceKept): string {
  // What each look said is a megabyte after ten years, and no first screen shows it: their number will do.
  const { looks, ...shown } = advice as Partial<Advice>;
  const text = JSON.stringify([shown, looks?.length, air, held]);
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i += 1) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return `${text.length} ${hash >>> 0}`;
}

/** The stamp stands for the shape, the seal for the content: the very code that reads this has written it. */
function isFor(kept: unknown, stamp: ReturnType<typeof stampOf>): kept is Kept {
  if (typeof kept !== "object" || kept === null) return false;
  const named = kept as Partial<Kept>;
  return (
    named.revision === stamp.revision &&
    named.judge === stamp.judge &&
    named.heard === stamp.heard &&
    typeof named.advice === "object" &&
    named.advice !== null &&
    named.seal === sealOf(named as RigFaceKept)
  );
}

/** @returns nothing when it is of another revision, judge or knowledge, or cannot be read */
export async function readLastAdvice(
  revision: Revision,
  heard: readonly InstrumentMessage[],
): Promise<RigFaceKept | undefined> {
  const kept: unknown = await databaseOf(revision.rigId)
    .getItem(keyOf(revision.rigId))
    .catch(() => null);
  return isFor(kept, stampOf(revision, heard)) ? kept : undefined;
}

/** What cannot be kept is worked out again. */
export async function keepLastAdvice(
  revision: Revision,
  heard: readonly InstrumentMessage[],
  { advice, air, held }: RigFaceKept,
): Promise<void> {
  // These alone: whoever hands over more, a whole log, would have it written with every save.
  const seal = sealOf({ advice, air, held });
  const kept: Kept = { ...stampOf(revision, heard), advice, air, held, seal };
  await databaseOf(revision.rigId)
    .setItem(keyOf(revision.rigId), kept)
    .catch(() => undefined);
}
