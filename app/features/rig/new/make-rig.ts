/** From what was said to a rig in the book: described, its air read where it was typed, its looks chosen. */
import type { Entry, Header } from "#core/log/schema.ts";
import { checkBuild } from "#core/rig/check-build.ts";
import { firstRig } from "#core/rig/first-rig.ts";
import { localInstant } from "#app/journal/clock.ts";
import { newEntryId, newRigId } from "#app/journal/entry-id.ts";
import { modelRefusal, refused } from "#app/journal/save.ts";
import { importRigs } from "#app/store/merge.ts";
import { listRigs } from "#app/store/book.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { readKnown, type Known } from "./known.ts";
import { firstName } from "./words.ts";

/** @returns a plate that no other rig wears */
async function freePlate(): Promise<string> {
  const rigs = await listRigs();
  const worn = new Set(rigs.ok ? rigs.value.headers.map(({ plate }) => plate) : []);
  const plates = Array.from({ length: worn.size + 1 }, (_, i) => String(i + 1));
  return plates.find((plate) => !worn.has(plate)) ?? "1";
}

/** @returns the id of the new rig, or what an action answers when there can be none */
export async function makeRig(
  said: Known,
  units: Preferences,
): Promise<{ ok: true; id: string } | { ok: false; answer: ReturnType<typeof refused> }> {
  const read = readKnown(said, units);
  if (!read.ok) {
    const [words = ""] = Object.values(read.fields);
    return { ok: false, answer: refused({ fields: read.fields, message: `Not made yet: ${words}` }) };
  }
  const { known, elevationM } = read;
  const build = firstRig(known);
  const refusal = modelRefusal(() => checkBuild(build));
  if (refusal) return { ok: false, answer: refused({ message: refusal.message }) };
  const header: Header = {
    id: newRigId(),
    name: firstName(known.kind, known.displacementCm3, build.engine.cylinders),
    plate: await freePlate(),
  };
  const at = localInstant();
  const entries: Entry[] = [
    { id: newEntryId("build"), at, kind: "build", build, reopens: [], why: "Rig described" },
  ];
  if (said.means.length > 0)
    entries.push({
      id: newEntryId("school"),
      at,
      kind: "school",
      school: { what: "lookWith", is: said.means },
    });
  if (known.air && elevationM !== undefined)
    entries.push({
      id: newEntryId("air"),
      at,
      kind: "air",
      temperatureK: known.air.temperatureK,
      humidity: { kind: "relative", fraction: known.air.relativeHumidity },
      pressure: { kind: "standard" },
      elevationM,
      place: "",
    });
  const made = await importRigs([{ header, entries }]);
  return made.ok
    ? { ok: true, id: header.id }
    : { ok: false, answer: refused({ message: made.problem.message }, 507) };
}
