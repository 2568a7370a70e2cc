/**
 * Generates a demo log from a plan of days. A seeded hidden engine answers each look, and the tuner does what Tamis
 * advises; nothing that is read or advised is typed by hand.
 */
import { advise } from "#core/advice/card/advise.ts";
import { frameOf } from "#core/belief/frame.ts";
import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import type { LookHow } from "#core/looks/look-kind.ts";
import {
  drawEngine,
  readLambda,
  readPlug,
  trueError,
  type HiddenEngine,
} from "#core/simulator/hidden-engine.ts";
import { CAREFUL_SD, drawReader, rideReportOf, walkIdle, type Reader } from "#core/simulator/reader.ts";
import type { BenchPart } from "#core/log/part-schema.ts";
import { fold } from "#core/log/fold.ts";
import type { BaseSheet, Build, Change, CheckEntry, Entry, Header, Reading } from "#core/log/schema.ts";
import { balanceSteps, judgeBalance } from "#core/balance/linkage.ts";
import { syncOf } from "#core/rig/carburettors.ts";
import { drawLinked, readLinked, untouched } from "#core/simulator/linked-carburettors.ts";
import { CHECKS, type CheckName } from "#core/log/walk-round-names.ts";
import type { QuestionName } from "#core/log/question-names.ts";
import { SYMPTOMS, type Symptom } from "#core/log/symptom-names.ts";
import type { LookMeans } from "#core/log/schools.ts";
import { humidAirFromLog } from "#core/rig/from-build.ts";
import type { Col } from "#core/simulator/mountain-track.ts";
import { forecastTold, heatsTold, routeTold } from "./ahead.ts";
import { seededRandom, type Random } from "#core/numbers/random.ts";
import { toSI } from "#core/units/quantity.ts";

export interface DemoRig {
  readonly header: Header;
  readonly entries: readonly Entry[];
}

export interface Weather {
  readonly celsius: number;
  readonly hPa: number;
  readonly humidity: number;
}

export interface Place {
  readonly place: string;
  readonly elevationM: number;
}

type Found = Partial<Pick<CheckEntry, "state" | "measured" | "findings" | "note">>;

export type Happening =
  | { readonly kind: "note"; readonly text: string }
  | { readonly kind: "base"; readonly sheet: BaseSheet }
  /** all thirteen checks, those named here with what was measured and found */
  | { readonly kind: "walkRound"; readonly found: Readonly<Partial<Record<CheckName, Found>>> }
  /** where it is read, when it is not where the story is told */
  | { readonly kind: "air"; readonly weather: Weather; readonly where?: Place }
  | { readonly kind: "symptom"; readonly symptom: Symptom }
  | { readonly kind: "answer"; readonly question: QuestionName; readonly is: "yes" | "no" }
  /** looks taken whatever is advised; at every cylinder where it says so */
  | { readonly kind: "looks"; readonly zones: readonly Zone[]; readonly perCylinder?: true }
  /** carburettors out of step, brought in screw by screw as the gauges say */
  | { readonly kind: "balance"; readonly quarterTurns: number }
  | { readonly kind: "idleSpeed"; readonly rpm: number }
  /** what else lies in the box */
  | { readonly kind: "parts"; readonly parts: readonly BenchPart[] }
  /** of the day after, for the place of the story or another */
  | { readonly kind: "forecast" }
  | {
      readonly kind: "heats";
      readonly starts: readonly (readonly [name: string, time: string])[];
      readonly minutes: number;
    }
  | { readonly kind: "route"; readonly col: Col; readonly time: string }
  | { readonly kind: "headers"; readonly celsius: readonly number[] }
  /** so many steps of doing what is advised, or until there is nothing left to do */
  | { readonly kind: "follow"; readonly steps: number; readonly endsOnChange?: true };

export interface DayPlan {
  /** days before the last one */
  readonly before: number;
  readonly happenings: readonly (Happening & { readonly at: string })[];
}

export interface StoryPlan {
  readonly header: Header;
  readonly build: Build;
  readonly described: string;
  readonly seed: number;
  readonly where: Place;
  readonly days: readonly DayPlan[];
  /** a fault that is not jetting: it moves pilot, needle and main by these log ratios, + lean */
  readonly fault?: readonly [pilot: number, needle: number, main: number];
  /** how far each cylinder departs from the engine's own mixture, + lean */
  readonly cylinderOffsets?: readonly number[];
  /** what this tuner looks with */
  readonly lookWith: readonly LookMeans[];
}

/** A clock that a rider's work moves on. */
class Clock {
  private minutes = 0;
  private readonly day: string;
  private readonly offset: string;
  constructor(day: string, offset: string) {
    this.day = day;
    this.offset = offset;
  }
  setTo(time: string): void {
    const [hours, minutes] = time.split(":").map(Number);
    this.minutes = Math.max(this.minutes, (hours ?? 0) * 60 + (minutes ?? 0));
  }
  pass(minutes: number): void {
    this.minutes += minutes;
  }
  now(): string {
    const two = (n: number) => String(n).padStart(2, "0");
    return `${this.day}T${two(Math.floor(this.minutes / 60))}:${two(this.minutes % 60)}:00${this.offset}`;
  }
}

const MINUTES_A_LOOK = 10;
/** A baseline from a book is nearer than any engine could be. */
const KNOWN_SHARE = 0.6;
/** Of a head, for a unit of mixture. */
const KELVIN_PER_UNIT = 220;

class Story {
  readonly entries: Entry[] = [];
  private readonly plan: StoryPlan;
  private readonly engine: HiddenEngine;
  private readonly random: Random;
  private readonly reader: Reader;
  /** between the carburettors, as they were left */
  private screws: readonly number[] | undefined;
  constructor(plan: StoryPlan) {
    this.plan = plan;
    this.random = seededRandom(plan.seed);
    const drawn = drawEngine(frameOf(plan.build), this.random);
    const { fault = [0, 0, 0] } = plan;
    // Somebody has jetted it before: it is not any engine that could be.
    const truth = drawn.truth.map((trim) => KNOWN_SHARE * trim);
    this.engine = { ...drawn, truth: truth.map((trim, i) => trim + (fault[i] ?? 0)) };
    this.reader = drawReader(this.random, CAREFUL_SD);
  }

  private id<K extends string>(kind: K): string {
    return `${kind}:demo-${String(this.entries.length + 1).padStart(3, "0")}`;
  }

  private reading(how: LookHow, zone: Zone): Reading {
    const { setting, air } = fold(this.entries);
    if (!setting || !air) throw new RangeError("story must have a build and an air before its first look");
    const then = humidAirFromLog(air);
    const error = trueError(this.engine, setting, then, zone);
    switch (how) {
      case "lambda":
        return readLambda(error, zone, this.plan.build, this.random);
      case "temperature":
        return this.headTemperature(error, zone);
      case "rideReport": {
        const [idle = 0, low = 0, mid = 0, top = 0] = ZONES.map((one) =>
          trueError(this.engine, setting, then, one),
        );
        return rideReportOf(this.reader, { idle, low, mid, top }, this.random);
      }
      case "idleBench": {
        const at = (tried: typeof setting) => trueError(this.engine, tried, then, "idle");
        return walkIdle(this.reader, setting, at, this.random) ?? readPlug(error, zone, this.random);
      }
      default:
        return readPlug(error, zone, this.random);
    }
  }

  /** At the start line the head itself, at the finish its rise. */
  private headTemperature(error: number, zone: Zone): Reading {
    const { staging, rise } = this.plan.build.heat ?? {};
    const off = KELVIN_PER_UNIT * (error + 0.02 * this.random.normal());
    const start = Math.round(staging?.targetK ?? 338);
    if (zone !== "top")
      return { type: "temperature", zone, sensor: "head", temperatureK: Math.round(start + off) };
    const usual = rise ? (rise.fromK + rise.toK) / 2 : 42;
    const temperatureK = Math.round(start + usual + off);
    return { type: "temperature", zone, sensor: "head", temperatureK, risenFromK: start };
  }

  private look(clock: Clock, how: LookHow, zone: Zone, minutes: number): void {
    clock.pass(minutes + Math.round(6 * this.random.uniform()));
    const reading = this.reading(how, zone);
    this.entries.push({ id: this.id("look"), at: clock.now(), kind: "look", reading, simulated: true });
  }

  /** All plugs out at once, laid side by side. */
  private sideBySide(clock: Clock, zone: Zone): void {
    clock.pass(MINUTES_A_LOOK);
    for (let cylinder = 1; cylinder <= this.plan.build.engine.cylinders; cylinder += 1) {
      const off = this.plan.cylinderOffsets?.[cylinder - 1] ?? 0;
      const { setting, air } = fold(this.entries);
      if (!setting || !air) throw new RangeError("story must have a build and an air before its first look");
      const error = trueError(this.engine, setting, humidAirFromLog(air), zone) + off;
      const reading = readPlug(error, zone, this.random);
      this.entries.push({
        id: this.id("look"),
        at: clock.now(),
        kind: "look",
        reading,
        cylinder,
        simulated: true,
      });
    }
  }

  /** Turns what the gauges name, so many quarter turns at most; the rest is left for whoever opens the demo. */
  private balance(clock: Clock, quarterTurns: number): void {
    const { carburettors = 1, engine } = this.plan.build;
    const { linkage, vacuumSpreadPa: allowed } = syncOf(this.plan.build);
    const linked = drawLinked(linkage, carburettors, engine.idleRpm, seededRandom(this.plan.seed));
    const steps = balanceSteps(carburettors, linkage).filter(({ speed }) => speed === "idle");
    let controls = { ...untouched(linked), ...(this.screws && { shaftScrews: this.screws }) };
    const gauges = () => readLinked(linked, controls).depressionsPa.map((pa) => Math.round(pa / 100) * 100);
    const beforePa = gauges();
    for (let turned = 0; turned < quarterTurns; turned += 1) {
      const { next, differencesPa } = judgeBalance(gauges(), steps, allowed);
      const step = next === undefined ? undefined : steps[next];
      if (step?.turn.kind !== "shaftScrew") break;
      const screw = step.turn.between[1] - 2;
      const by = (differencesPa[next ?? 0] ?? 0) > 0 ? 0.25 : -0.25;
      controls = { ...controls, shaftScrews: controls.shaftScrews.map((x, i) => (i === screw ? x + by : x)) };
      clock.pass(2);
    }
    this.screws = controls.shaftScrews;
    this.entries.push({
      id: this.id("balance"),
      at: clock.now(),
      kind: "balance",
      speed: "idle",
      beforePa,
      afterPa: gauges(),
      simulated: true,
    });
  }

  private fit(at: string, changes: Change[], because: "advice" | "putBack"): void {
    this.entries.push({ id: this.id("fit"), at, kind: "fit", changes, because });
  }

  private changedOnAdvice(): boolean {
    const last = this.entries.at(-1);
    return last?.kind === "fit";
  }

  /** Does what is advised; @returns false when there is nothing to do */
  private step(clock: Clock): boolean {
    const { next } = advise(this.entries);
    switch (next.kind) {
      case "fit":
      case "putBack": {
        const changes = next.kind === "fit" ? next.lines.flatMap((line) => line.changes) : next.changes;
        clock.pass(6 + 4 * changes.length);
        this.fit(
          clock.now(),
          changes.map(({ part, to }) => ({ part, to })),
          next.kind === "fit" ? "advice" : "putBack",
        );
        return true;
      }
      case "ride":
        this.look(clock, next.how, next.zone ?? "mid", next.minutes);
        for (const zone of next.along ?? []) this.look(clock, next.how, zone, 0);
        if (next.tells) this.look(clock, "rideReport", next.zone ?? "mid", 0);
        return true;
      case "part":
      case "check":
      case "leave":
      case "stop":
        return false;
    }
  }

  describe(clock: Clock): void {
    const { build, described: why } = this.plan;
    this.entries.push({ id: this.id("build"), at: clock.now(), kind: "build", build, reopens: [], why });
    const school = { what: "lookWith" as const, is: [...this.plan.lookWith] };
    this.entries.push({ id: this.id("school"), at: clock.now(), kind: "school", school });
  }

  private walkRound(clock: Clock, found: Readonly<Partial<Record<CheckName, Found>>>): void {
    for (const check of CHECKS) {
      const { state = "pass", measured = {}, findings = [], note = "" } = found[check] ?? {};
      const entry = { check, state, measured, findings, note, simulated: true };
      this.entries.push({ id: this.id("check"), at: clock.now(), kind: "check", ...entry });
      clock.pass(1);
    }
  }

  private air({ celsius, hPa, humidity }: Weather, where: Place, at: string): void {
    this.entries.push({
      id: this.id("air"),
      at,
      kind: "air",
      temperatureK: toSI("temperature", celsius, "°C"),
      humidity: { kind: "relative", fraction: humidity },
      pressure: { kind: "station", pressurePa: toSI("pressure", hPa, "hPa") },
      ...where,
      simulated: true,
    });
  }

  private looksAhead(what: Extract<Happening, { kind: "forecast" | "heats" | "route" }>, at: string): void {
    const { where, seed } = this.plan;
    const offset = at.slice(19);
    const now = { at, tomorrow: shiftDay(at.slice(0, 10), 1), offset, seed };
    if (what.kind === "heats") {
      const heats = heatsTold(where, what.starts, what.minutes, now);
      this.entries.push({ id: this.id("heats"), at, kind: "heats", ...heats });
    } else if (what.kind === "route")
      this.entries.push({ id: this.id("route"), at, kind: "route", ...routeTold(what.col, what.time, now) });
    else {
      const air = this.entries.findLast((entry) => entry.kind === "air" && entry.place === where.place);
      if (air?.kind !== "air") throw new RangeError("story must have read an air before its forecast");
      this.entries.push({ id: this.id("forecast"), at, kind: "forecast", ...forecastTold(where, air, now) });
    }
  }

  happens(what: Happening, clock: Clock): void {
    const at = clock.now();
    switch (what.kind) {
      case "note":
        this.entries.push({ id: this.id("note"), at, kind: "note", text: what.text });
        return;
      case "parts": {
        const box = fold(this.entries).build?.box ?? this.plan.build.box;
        this.entries.push({
          id: this.id("box"),
          at,
          kind: "box",
          box: { ...box, parts: [...what.parts] },
          why: "Measured what else there is.",
        });
        return;
      }
      case "symptom": {
        const { symptom } = what;
        const reading: Reading = { type: "symptom", zone: SYMPTOMS[symptom].zone, symptom };
        this.entries.push({ id: this.id("look"), at, kind: "look", reading, simulated: true });
        return;
      }
      case "answer": {
        const { question, is } = what;
        this.entries.push({ id: this.id("answer"), at, kind: "answer", question, is });
        return;
      }
      case "base":
        this.entries.push({ id: this.id("base"), at, kind: "base", sheet: what.sheet });
        return;
      case "walkRound":
        return this.walkRound(clock, what.found);
      case "air":
        return this.air(what.weather, what.where ?? this.plan.where, at);
      case "looks":
        for (const zone of what.zones)
          if (what.perCylinder) this.sideBySide(clock, zone);
          else this.look(clock, "plug", zone, MINUTES_A_LOOK);
        return;
      case "balance":
        return this.balance(clock, what.quarterTurns);
      case "idleSpeed":
        this.entries.push({
          id: this.id("adjust"),
          at,
          kind: "adjust",
          set: { what: "idleSpeed", rpm: what.rpm },
          simulated: true,
        });
        return;
      case "forecast":
      case "heats":
      case "route":
        return this.looksAhead(what, at);
      case "headers":
        this.entries.push({
          id: this.id("headers"),
          at,
          kind: "headers",
          temperaturesK: what.celsius.map((value) => toSI("temperature", value, "°C")),
          simulated: true,
        });
        return;
      case "follow":
        for (let i = 0; i < what.steps; i += 1) {
          if (!this.step(clock)) return;
          if (what.endsOnChange && this.changedOnAdvice()) return;
        }
    }
  }
}

const shiftDay = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/**
 * @param lastDay - the calendar day the story ends on, `2026-05-23`
 * @param offset - of the place's clock, `+02:00`
 */
export function tell(plan: StoryPlan, lastDay: string, offset: string): DemoRig {
  const story = new Story(plan);
  for (const day of plan.days) {
    const clock = new Clock(shiftDay(lastDay, -day.before), offset);
    for (const happening of day.happenings) {
      clock.setTo(happening.at);
      if (story.entries.length === 0) story.describe(clock);
      story.happens(happening, clock);
    }
  }
  return { header: plan.header, entries: story.entries };
}
