/** Moves the newest entries to another rig, all or none. */
import type { Entry } from "#core/log/schema.ts";
import { isMovable, movedEntries } from "#core/log/moved.ts";
import { foldWith } from "#core/rig/check-log.ts";
import { importRigs } from "#app/store/merge.ts";
import { isPractice } from "#app/store/practice-rigs.ts";
import { readRig } from "#app/store/rig-log.ts";
import { localInstant } from "./clock.ts";
import { newEntryId } from "./entry-id.ts";
import { openRig, presentOf } from "./open-rig.ts";

const NOTHING = "Nothing was moved.";

/**
 * @param ids - of entries of the one rig; the same entries then stand in the other's log at their own time, and are
 *   struck through where they were
 * @returns how many were moved, or in words why none was
 */
export async function moveEntries(
  fromId: string,
  toId: string,
  ids: readonly string[],
): Promise<{ ok: true; moved: number; to: string } | { ok: false; message: string }> {
  const wrong = (message: string) => ({ ok: false as const, message: `${message} ${NOTHING}` });
  if (fromId === toId) return wrong("They are on this rig already.");
  if (isPractice(fromId) || isPractice(toId)) return wrong("A practice rig keeps its looks to itself.");
  const from = await openRig(fromId);
  const to = await readRig(toId);
  if (!to.ok) return wrong(to.problem.message);
  const lines = from.present.lines.filter((line) => ids.includes(line.entry.id) && isMovable(line));
  if (lines.length < ids.length)
    return wrong("Not all of them are there any more, or they say something of the machine itself.");
  const moved = movedEntries(
    lines.map(({ entry }) => entry),
    newEntryId,
  );
  const { name } = to.value.header;
  const strikes = lines.map(({ entry }): Entry => {
    const why = `It was meant for ${name}`;
    return { id: newEntryId("strike"), at: localInstant(), kind: "strike", strikes: entry.id, why };
  });
  const described = presentOf(to.value).builds[0]?.at;
  if (described !== undefined && moved.some(({ at }) => Date.parse(at) < Date.parse(described)))
    return wrong(
      `${name} was first described on ${described.slice(0, 10)} at ${described.slice(11, 16)}. Looks from before that cannot count for it.`,
    );
  const there = foldWith(presentOf(to.value), moved).refused;
  if (there) return wrong(`${name} cannot have that: ${there.why}.`);
  const here = foldWith(from.present, strikes).refused;
  if (here) return wrong(`Without them the ${here.entry.kind} after them could not be: ${here.why}.`);
  const kept = await importRigs([
    { header: from.log.header, entries: strikes },
    { header: to.value.header, entries: moved },
  ]);
  return kept.ok ? { ok: true, moved: moved.length, to: name } : wrong(kept.problem.message);
}
