/** Begins practice games: what is known of an engine becomes the first entries of its log. */
import type { Entry } from "#core/log/schema.ts";
import type { PracticeAsked } from "#core/practice/levels.ts";
import type { Stored } from "#app/store/failure.ts";
import { beginGame } from "#app/store/practice-log.ts";
import { practice } from "#app/workers/practice-client.ts";
import { localInstant } from "./clock.ts";
import { newEntryId } from "./entry-id.ts";

/**
 * @param again - anew, where it was begun before
 * @returns the rig on which it is played
 * @throws {WorkerFailure} where the engine cannot be drawn
 */
export async function startGame(asked: PracticeAsked, again: boolean): Promise<Stored<string>> {
  const { build, air } = await practice.call(async (remote) => await remote.begin(asked));
  const at = localInstant();
  const { temperatureK, pressurePa, relativeHumidity: fraction } = air;
  const entries: Entry[] = [
    { id: newEntryId("build"), at, kind: "build", build, reopens: [], why: "" },
    {
      id: newEntryId("air"),
      at,
      kind: "air",
      temperatureK,
      humidity: { kind: "relative", fraction },
      pressure: { kind: "station", pressurePa },
      place: "",
    },
  ];
  return beginGame(asked, entries, Date.now(), again);
}
