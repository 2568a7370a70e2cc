/** From a rig that is there to another one like it in the book. */
import type { Entry, Header } from "#core/log/schema.ts";
import { buildLike, schoolsLike, type LikeWanted } from "#core/rig/rig-like.ts";
import { airStateFromLog } from "#core/rig/from-build.ts";
import { localInstant } from "#app/journal/clock.ts";
import { newEntryId, newRigId } from "#app/journal/entry-id.ts";
import type { OpenRig } from "#app/journal/open-rig.ts";
import type { Stored } from "#app/store/failure.ts";
import { importRigs, type Added } from "#app/store/merge.ts";

/** @returns the header of the new rig, once it is in the book */
export async function makeLike(
  { present, build }: Pick<OpenRig, "present" | "build">,
  named: Pick<Header, "name" | "plate">,
  wanted: LikeWanted,
): Promise<{ readonly header: Header; readonly stored: Stored<Added> }> {
  const header: Header = { id: newRigId(), ...named };
  const at = localInstant();
  const air = present.air && airStateFromLog(present.air);
  const setting = present.settings[0] ?? build.baseline.setting;
  const entries: Entry[] = [
    {
      id: newEntryId("build"),
      at,
      kind: "build",
      build: buildLike(build, setting, air, wanted),
      reopens: [],
      why: "Another like it",
    },
    ...[...present.ahead.places.values()].map((place): Entry => ({ ...place, id: newEntryId("place"), at })),
    ...(present.sheet ? [{ id: newEntryId("base"), at, kind: "base" as const, sheet: present.sheet }] : []),
    ...schoolsLike(present).map((school): Entry => ({
      id: newEntryId("school"),
      at,
      kind: "school",
      school,
    })),
    ...(present.air ? [{ ...present.air, id: newEntryId("air"), at }] : []),
  ];
  return { header, stored: await importRigs([{ header, entries }]) };
}
