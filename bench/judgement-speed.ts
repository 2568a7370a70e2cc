/**
 * How long the judge takes, on this machine: `npm run bench`. Replays of growing logs, and the card alone as
 * on a keystroke in the air. Prints medians and 95th percentiles in milliseconds.
 */
import { ZONES } from "#core/carburettor/zones.ts";
import { humidAirFromLog } from "#core/rig/from-build.ts";
import type { AirEntry, Entry } from "#core/log/schema.ts";
import { seededRandom } from "#core/numbers/random.ts";
import { adviseOn } from "#core/advice/advise.ts";
import { openCase } from "#core/advice/case.ts";
import { freshMemory } from "#core/belief/replay.ts";
import { frameOf } from "#core/belief/frame.ts";
import { drawEngine, readPlug, trueError } from "#core/simulator/hidden-engine.ts";
import { ENDURO_BUILD } from "../demo/enduro-build.ts";

const SEED = 5;

/** A season: every day an air, a change now and then, looks in all zones from a hidden engine. */
function season(count: number): Entry[] {
  const random = seededRandom(SEED);
  const engine = drawEngine(frameOf(ENDURO_BUILD), random);
  const entries: Entry[] = [
    {
      id: "build:bench",
      at: "2026-01-01T08:00:00Z",
      kind: "build",
      build: ENDURO_BUILD,
      reopens: [],
      why: "",
    },
  ];
  let setting = ENDURO_BUILD.baseline.setting;
  let air: AirEntry | undefined;
  for (let i = 1; i < count; i += 1) {
    const day = new Date(Date.UTC(2026, 0, 2 + Math.floor(i / 20))).toISOString().slice(0, 10);
    const at = `${day}T${String(8 + Math.floor((i % 20) / 2)).padStart(2, "0")}:${i % 2 ? "30" : "00"}:00Z`;
    const id = String(i).padStart(5, "0");
    if (i % 20 === 1 || !air) {
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

function measure(name: string, runs: number, work: (run: number) => void): void {
  for (let i = 0; i < 3; i += 1) work(i); // let the compiler settle, as it has in a worker in use
  const times = Array.from({ length: runs }, (_, i) => {
    const started = performance.now();
    work(i);
    return performance.now() - started;
  }).sort((a, b) => a - b);
  const at = (share: number) => (times[Math.min(runs - 1, Math.floor(share * runs))] ?? NaN).toFixed(1);
  console.log(`${name.padEnd(44)} median ${at(0.5)} ms, p95 ${at(0.95)} ms (${runs} runs)`);
}

for (const count of [100, 500, 2000]) {
  const entries = season(count);
  measure(`replay of ${count} entries with advice`, 15, () => adviseOn(openCase(entries)));
}
for (const count of [500, 2000]) {
  const entries = season(count);
  const memory = freshMemory();
  openCase(entries.slice(0, -20), { memory });
  measure(`one more look, log of ${count} kept`, 20, (run) => {
    adviseOn(openCase(entries.slice(0, count - 20 + (run % 20)), { memory }));
  });
}
const open = openCase(season(500));
measure("card for a typed air, log of 500 kept", 60, (run) => {
  const draft: AirEntry = {
    id: "air:draft",
    at: "2026-06-01T00:00:00Z",
    kind: "air",
    temperatureK: 285 + run / 10,
    humidity: { kind: "relative", fraction: 0.5 },
    pressure: { kind: "station", pressurePa: 90_000 },
    place: "",
  };
  adviseOn(open, draft);
});
