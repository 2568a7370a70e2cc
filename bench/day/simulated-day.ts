/** One race day of a simulated engine: looked at in the morning, forecast the evening before, ridden in heats. */
import { openCase, groupOf, judgeOf, type Case } from "#core/advice/judge/case.ts";
import { bestAtOneStop, planStop } from "#core/advice/plan/plan.ts";
import { questionOf } from "#core/advice/ride/question.ts";
import { LEAN_LIMIT } from "#core/carburettor/zones.ts";
import { LOSS, zoneWeights } from "#core/advice/judge/loss.ts";
import { REACHED_ZONES } from "#core/advice/judge/judge-setting.ts";
import { workOf } from "#core/advice/plan/moves.ts";
import { humidAir, type HumidAir } from "#core/air/humid-air.ts";
import { changesBetween, planDay } from "#core/day/plan-day.ts";
import { airOfWeather, aheadOf, weatherOf, type Reading } from "#core/forecast/air-ahead.ts";
import { forecastOf } from "#core/forecast/forecast.ts";
import { instantText } from "#core/forecast/instants.ts";
import { changedParts } from "#core/log/settings.ts";
import type { AirEntry, Entry, Heat, Setting } from "#core/log/schema.ts";
import { seededRandom, type Random } from "#core/numbers/random.ts";
import { drawDay, forecastFor, type DayOfWeather } from "#core/simulator/forecasts.ts";
import { readPlug } from "#core/simulator/hidden-engine.ts";
import { drawRealEngine } from "#core/simulator/real-engine.ts";
import { benchBuild, type RigName } from "../judgement/rigs.ts";

export const DAY_POLICIES = ["stay", "everyAir", "newCard", "eveningPlan", "dayPlan"] as const;
export type DayPolicy = (typeof DAY_POLICIES)[number];

export interface DayOutcome {
  /** true loss of all heats */
  readonly loss: number;
  readonly work: number;
  readonly parts: number;
  readonly stops: number;
  /** heats ridden past the lean limit at the top */
  readonly lean: number;
}

const MIDNIGHT = Date.UTC(2026, 4, 23);
const HOUR_MS = 3_600_000;
const MADE_AT = -6;
const LOOKED_AT = 8;
const HEAT_HOURS = [9, 10, 11.5, 13, 14, 15, 16.5, 18];
const HEATS = HEAT_HOURS.map((hour, i): Heat => ({
  name: `Heat ${i + 1}`,
  at: instantText(MIDNIGHT + hour * HOUR_MS, 0),
  minutes: 15,
}));
const middleOf = ({ at, minutes }: Heat): number => Date.parse(at) + minutes * 30_000;

/** A paddock's instrument: half a kelvin, half a hectopascal, three per cent. */
function readAir(day: DayOfWeather, hour: number, random: Random): AirEntry {
  const { temperatureK, pressurePa, relativeHumidity } = airOfWeather(day.at(hour));
  return {
    id: `air:day-${Math.round(100 * hour)}`,
    at: instantText(MIDNIGHT + hour * HOUR_MS, 0),
    kind: "air",
    temperatureK: temperatureK + 0.4 * random.normal(),
    humidity: {
      kind: "relative",
      fraction: Math.min(1, Math.max(0.05, relativeHumidity + 0.03 * random.normal())),
    },
    pressure: { kind: "station", pressurePa: pressurePa + 40 * random.normal() },
    place: "",
    elevationM: day.elevationM,
  };
}

const stateOf = (air: AirEntry) => ({
  temperatureK: air.temperatureK,
  relativeHumidity: air.humidity.kind === "relative" ? air.humidity.fraction : 0.5,
  pressurePa: air.pressure.kind === "station" ? air.pressure.pressurePa : 101_325,
});

/** @returns what the day cost under each policy: the same engine, air and forecast for all */
export function simulatedDay(rig: RigName, seed: number): Record<DayPolicy, DayOutcome> {
  const random = seededRandom(seed);
  const build = benchBuild(rig, random, true);
  const engine = drawRealEngine(
    build,
    { proven: "ranWell", heavyTails: true, airSensitivitySd: 0.15 },
    random,
  );
  const day = drawDay(1600 * random.uniform(), random);
  const hours = forecastFor(day, { midnightMs: MIDNIGHT, offsetMin: 0, madeAt: MADE_AT, hours: 24 }, random);
  const forecast = forecastOf({
    at: instantText(MIDNIGHT + MADE_AT * HOUR_MS, 0),
    hours,
    elevationM: day.elevationM,
  });
  const morning = readAir(day, LOOKED_AT, random);
  const trueMorning = airOfWeather(day.at(LOOKED_AT));
  const { setting: first } = build.baseline;
  const errors = engine.errors(first, trueMorning);
  const at = instantText(MIDNIGHT + (LOOKED_AT + 0.1) * HOUR_MS, 0);
  const known: Entry[] = [
    {
      id: "build:day-0",
      at: instantText(MIDNIGHT - 48 * HOUR_MS, 0),
      kind: "build",
      build: engine.build,
      reopens: [],
      why: "",
    },
    morning,
    ...REACHED_ZONES.map((zone): Entry => ({
      id: `look:day-${zone}`,
      at,
      kind: "look",
      reading: readPlug(errors[zone], zone, random),
    })),
  ];
  const readings = HEATS.map((heat) =>
    readAir(day, (Date.parse(heat.at) - MIDNIGHT) / HOUR_MS - 0.3, random),
  );
  const airs = HEATS.map((heat) => airOfWeather(day.at((middleOf(heat) - MIDNIGHT) / HOUR_MS)));
  const open = openCase(known);
  const weights = zoneWeights(build.usage);
  const told = (upTo: number): Reading[] =>
    [morning, ...readings.slice(0, upTo)].map((air) => ({
      ms: Date.parse(air.at),
      weather: weatherOf(stateOf(air)),
    }));
  const inAir = (fitted: Setting, air: HumidAir) => {
    const group = { ...groupOf(open, 0), fitted };
    return questionOf(open, group, judgeOf(open, group, air), air);
  };
  const planFrom = (i: number, fitted: Setting) => {
    const here: Case = { ...open, present: { ...open.present, settings: [fitted] } };
    return planDay(here, HEATS.slice(i), aheadOf(forecast, told(i + 1), day.elevationM));
  };
  const evening = planDay(open, HEATS, aheadOf(forecast, [], day.elevationM));
  const next: Record<DayPolicy, (fitted: Setting, i: number) => Setting> = {
    stay: (fitted) => fitted,
    everyAir: (fitted, i) => bestAtOneStop(inAir(fitted, humidAir(stateOf(readings[i] as AirEntry)))).setting,
    newCard: (fitted, i) => planStop(inAir(fitted, humidAir(stateOf(readings[i] as AirEntry)))).card.setting,
    eveningPlan: (fitted, i) => evening.heats[i]?.setting ?? fitted,
    dayPlan: (fitted, i) => planFrom(i, fitted).heats[0]?.setting ?? fitted,
  };
  const ridden = (policy: DayPolicy): DayOutcome => {
    let fitted = first;
    const sum = { loss: 0, work: 0, parts: 0, stops: 0, lean: 0 };
    airs.forEach((air, i) => {
      const now = next[policy](fitted, i);
      sum.work += workOf(fitted, now);
      sum.parts += changesBetween(fitted, now).length;
      sum.stops += changedParts(fitted, now).length > 0 ? 1 : 0;
      fitted = now;
      const is = engine.errors(fitted, air);
      sum.loss += REACHED_ZONES.reduce((cost, zone) => cost + weights[zone] * LOSS[zone](is[zone]), 0);
      sum.lean += is.top > LEAN_LIMIT.top ? 1 : 0;
    });
    return sum;
  };
  return {
    stay: ridden("stay"),
    everyAir: ridden("everyAir"),
    newCard: ridden("newCard"),
    eveningPlan: ridden("eveningPlan"),
    dayPlan: ridden("dayPlan"),
  };
}
