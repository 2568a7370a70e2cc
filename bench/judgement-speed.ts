/**
 * How long the judge takes, on this machine: `npm run bench`. Replays of growing logs, and the card alone as
 * on a keystroke in the air. Prints medians and 95th percentiles in milliseconds.
 */
import type { AirEntry } from "#core/log/schema.ts";
import { adviseOn } from "#core/advice/card/advise.ts";
import { openCase } from "#core/advice/judge/case.ts";
import { freshMemory } from "#core/belief/replay.ts";
import { season } from "./season.ts";

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
  // Where it goes: each part takes over what the one before it has worked out.
  measure("  the replay: what is believed", 15, () => openCase(entries));
  const opened = Array.from({ length: 18 }, () => openCase(entries));
  let at = 0;
  const nextCase = () => opened[at++ % opened.length] ?? openCase(entries);
  measure("  the faults: what else it could be", 15, () => nextCase().suspicion);
  at = 0;
  measure("  plan, next look, warnings", 15, () => adviseOn(nextCase()));
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
