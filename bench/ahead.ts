/**
 * How long days to come take, on this machine: `npm run bench:ahead`. A day of 24 hours in steps of ten minutes with
 * its heats and its doubt, a way, a pack list of 2000 draws, a season, a GPX of 100 000 points. Asserts nothing.
 */
import { openCase } from "#core/advice/judge/case.ts";
import { planDay } from "#core/day/plan-day.ts";
import { wantedOver } from "#core/day/wanted.ts";
import { aheadOf } from "#core/forecast/air-ahead.ts";
import { forecastOf } from "#core/forecast/forecast.ts";
import { airSource } from "#core/day/air-source.ts";
import { packAnswer, seasonAnswer } from "#core/pack/pack-answer.ts";
import { planRoute } from "#core/route/plan-route.ts";
import { readGpx } from "../app/workers/gpx.ts";
import { demoMovedTo } from "../demo/told.ts";
import { TOLD_DAY, TOLD_OFFSET } from "../demo/told-day.ts";

const RUNS = 9;
const HOUR_MS = 3_600_000;

/** The median of a few, after two that nobody counts. */
async function timed(name: string, work: () => unknown): Promise<void> {
  const times: number[] = [];
  for (let i = 0; i < RUNS + 2; i += 1) {
    const started = performance.now();
    await work();
    if (i >= 2) times.push(performance.now() - started);
  }
  times.sort((a, b) => a - b);
  const [median, most] = [times[Math.floor(RUNS / 2)] ?? NaN, times.at(-1) ?? NaN];
  console.log(`${name.padEnd(58)} median ${median.toFixed(0)} ms, most ${most.toFixed(0)} ms`);
}

for (const { header, entries } of demoMovedTo(TOLD_DAY, TOLD_OFFSET)) {
  const open = openCase(entries);
  const { forecasts, routes } = open.present.ahead;
  const [told, way] = [forecasts[0], routes[0]];
  if (told) {
    const airAt = aheadOf(forecastOf(told), [], told.elevationM);
    const from = Date.parse(told.hours[0]?.at ?? "");
    const heats = Array.from({ length: 8 }, (_, i) => ({
      name: `Heat ${i + 1}`,
      at: new Date(from + (6 + 2 * i) * HOUR_MS).toISOString(),
      minutes: 15,
    }));
    await timed(`${header.name}: 24 h in steps of 10 min, 8 heats`, () => {
      const plan = planDay(open, heats, (ms) => airAt(ms));
      const airs = Array.from({ length: 144 }, (_, i) => airAt(from + i * 600_000));
      return wantedOver(open, airs, plan.heats[0]?.setting ?? plan.fitted);
    });
  }
  if (way) {
    const span = { elevationM: 1380, fromMs: Date.parse(way.startAt), toMs: Date.parse(way.startAt) };
    const { airAt } = airSource(open.present, open.build, span);
    await timed(`${header.name}: a way of ${way.points.length} points`, () => planRoute(open, way, airAt));
  }
  const range = { kind: "range", lowK: 278, highK: 301, humidity: 0.6, lowM: 380, highM: 1910 } as const;
  await timed(`${header.name}: pack list of 2000 draws`, () => packAnswer(open, range));
}
const [first] = demoMovedTo(TOLD_DAY, TOLD_OFFSET);
if (first) {
  const open = openCase(first.entries);
  await timed(`${first.header.name}: a season`, () => seasonAnswer(open, "Col de la Brume", 1380));
}

const points = Array.from({ length: 100_000 }, (_, i) => {
  const at = new Date(1_779_500_000_000 + 1000 * i).toISOString();
  const height = (600 + 400 * Math.sin(i / 9000)).toFixed(1);
  return `<trkpt lat="${(i * 1e-5).toFixed(6)}" lon="${(Math.sin(i / 500) * 1e-3).toFixed(6)}"><ele>${height}</ele><time>${at}</time></trkpt>`;
});
const gpx = new Blob([`<gpx version="1.1"><trk><trkseg>${points.join("\n")}</trkseg></trk></gpx>`]);
await timed("GPX of 100 000 points, 10 MB", () => readGpx(gpx, 10));
