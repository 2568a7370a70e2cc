/** A long log for measuring: every day an air, a change now and then, looks in all zones from a hidden engine. */
import { ZONES } from "#core/carburettor/zones.ts";
import { frameOf } from "#core/belief/frame.ts";
import type { AirEntry, Entry } from "#core/log/schema.ts";
import { seededRandom } from "#core/numbers/random.ts";
import { humidAirFromLog } from "#core/rig/from-build.ts";
import { drawEngine, readPlug, trueError } from "#core/simulator/hidden-engine.ts";
import { ENDURO_BUILD } from "../demo/enduro-build.ts";

const SEED = 5;

/** @param perDay - entries of one day
 * @param tail - goes into every id, so that two logs have none in common */
export function season(count: number, perDay = 20, tail = "", firstYear = 2026): Entry[] {
  const random = seededRandom(SEED);
  const engine = drawEngine(frameOf(ENDURO_BUILD), random);
  const entries: Entry[] = [
    {
      id: `build:bench${tail}`,
      at: `${firstYear}-01-01T08:00:00Z`,
      kind: "build",
      build: ENDURO_BUILD,
      reopens: [],
      why: "",
    },
  ];
  let setting = ENDURO_BUILD.baseline.setting;
  let air: AirEntry | undefined;
  for (let i = 1; i < count; i += 1) {
    const day = new Date(Date.UTC(firstYear, 0, 2 + Math.floor(i / perDay))).toISOString().slice(0, 10);
    const at = `${day}T${String(8 + Math.floor((i % perDay) / 2)).padStart(2, "0")}:${i % 2 ? "30" : "00"}:00Z`;
    const id = `${String(i).padStart(6, "0")}${tail}`;
    if (i % perDay === 1 || !air) {
      air = {
        id: `air:${id}`,
        at,
        kind: "air",
        temperatureK: 280 + 20 * random.uniform(),
        humidity: { kind: "relative", fraction: 0.3 + 0.5 * random.uniform() },
        pressure: { kind: "station", pressurePa: 86_000 + 10_000 * random.uniform() },
        place: "",
      };
      entries.push(air);
    } else if (i % 5 === 0) {
      const main = [158, 160, 162, 165][Math.floor(4 * random.uniform())] ?? 165;
      setting = { ...setting, main };
      entries.push({
        id: `fit:${id}`,
        at,
        kind: "fit",
        changes: [{ part: "main", to: main }],
        because: "own",
      });
    } else {
      const zone = ZONES[i % 4] ?? "top";
      const reading = readPlug(trueError(engine, setting, humidAirFromLog(air), zone), zone, random);
      entries.push({ id: `look:${id}`, at, kind: "look", reading });
    }
  }
  return entries;
}
