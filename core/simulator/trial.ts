/** One simulated tuning session: from the first air to the last change, with minutes and final error. */
import type { AirState, HumidAir } from "../air/humid-air.ts";
import { perZone, type PerZone, type Zone } from "../carburettor/zones.ts";
import { advise, type Advice } from "../advice/card/advise.ts";
import { choices } from "../advice/plan/choices.ts";
import { TOLERANCE, type ReachedZone } from "../advice/judge/judge-setting.ts";
import { fold } from "../log/fold.ts";
import type { BenchPart } from "../log/part-schema.ts";
import { fitPart } from "../rig/bench-part.ts";
import type { FaultName } from "../log/fault-names.ts";
import type { LookMeans } from "../log/schools.ts";
import type { QuestionName } from "../log/question-names.ts";
import type { Build, Change, Entry, FitEntry, Reading, Setting } from "../log/schema.ts";
import { PARTS, TONES } from "../log/parts.ts";
import { SYMPTOMS } from "../log/symptom-names.ts";
import type { CheckName } from "../log/walk-round-names.ts";
import type { Faulty } from "./faulty.ts";
import type { Random } from "../numbers/random.ts";
import { airOfState, allRight, laterAir, type RealEngine } from "./real-engine.ts";
import {
  isPastLimit,
  readHeatOf,
  readLambdaOf,
  readPlugOf,
  rideReportOf,
  walkIdle,
  type Reader,
} from "./reader.ts";

export interface Outcome {
  readonly stops: number;
  readonly minutes: number;
  readonly fits: number;
  /** parts that were swapped */
  readonly swaps: number;
  /** rides at full throttle past the lean limit */
  readonly leanRides: number;
  readonly errors: PerZone<number>;
  /** how likely each zone was said to be right at the end */
  readonly said: readonly { readonly zone: ReachedZone; readonly chance: number }[];
  readonly finished: boolean;
  /** does the box hold any setting with which idle, middle and top are all right in this air? */
  readonly withinReach: boolean;
}

/** The best play there is: a needle and a main that put middle and top right, then a pilot and a screw for the idle. */
function rightInBox(
  errorsOf: (setting: Setting) => PerZone<number>,
  now: Build,
  fitted: Setting,
): Setting | undefined {
  const { clip, main, pilot, screwTurns, shimMm } = choices(now, fitted, [], 0.125);
  const right = (error: number) => Math.abs(error) <= TOLERANCE;
  for (const c of clip)
    for (const s of shimMm)
      for (const m of main) {
        const upper = { ...fitted, clip: c, shimMm: s, main: m };
        const { mid, top } = errorsOf(upper);
        if (!right(mid) || !right(top)) continue;
        for (const p of pilot)
          for (const turns of screwTurns) {
            const whole = { ...upper, pilot: p, screwTurns: turns };
            if (allRight(errorsOf(whole))) return whole;
          }
      }
  return undefined;
}

export const boxReaches = (engine: RealEngine, now: Build, fitted: Setting, air: HumidAir): boolean =>
  rightInBox((setting) => engine.errors(setting, air, now), now, fitted) !== undefined;

const FIRST = Date.parse("2026-05-23T08:00:00Z");

const MINUTES_PER_MONTH = 30.44 * 24 * 60;

/** What the usual tuner has not. */
export interface Circumstances {
  readonly faulty?: Faulty;
  /** what the tuner has, if not what the engine was drawn with: a wrong needle, a guess elsewhere */
  readonly described?: Build;
  /** how long ago the rig was described */
  readonly wordMonths?: number;
}

/** A tuner who asks what his screw does turns it from here to there. */
const SCREW_TRIED = [0.5, 3.5] as const;

/** The log of a tuner, and the engine that answers. */
export class Bench {
  readonly entries: Entry[] = [];
  engine: RealEngine;
  stops = 0;
  minutes = 0;
  fits = 0;
  swaps = 0;
  leanRides = 0;
  private air: AirState;
  private readonly reader: Reader;
  private readonly random: Random;
  /** what is wrong with it that no jet cures, and what it makes one feel; nobody tells where there is none */
  private faulty: Faulty | undefined;
  /** as it is now described: with a part of the box in it, once it was swapped */
  private described: Build;
  constructor(engine: RealEngine, air: AirState, reader: Reader, random: Random, more: Circumstances = {}) {
    const { faulty, described = engine.build, wordMonths = 0 } = more;
    this.engine = engine;
    this.faulty = faulty;
    this.air = air;
    this.reader = reader;
    this.random = random;
    this.described = described;
    this.keep(
      "build",
      { build: described, reopens: [], why: "" },
      -Math.round(wordMonths * MINUTES_PER_MONTH),
    );
    this.keepAir();
  }

  private keep(kind: Entry["kind"], content: object, earlierMinutes = 0): void {
    const at = new Date(FIRST + 60_000 * (this.minutes + this.entries.length + earlierMinutes))
      .toISOString()
      .replace(/\.\d+Z/, "Z");
    this.entries.push({ id: `${kind}:bench-${this.entries.length}`, at, kind, ...content } as Entry);
  }

  private keepAir(): void {
    const { temperatureK, pressurePa, relativeHumidity } = this.air;
    const humidity = { kind: "relative", fraction: relativeHumidity };
    this.keep("air", { temperatureK, humidity, pressure: { kind: "station", pressurePa }, place: "" });
  }

  get now(): HumidAir {
    return airOfState(this.air);
  }

  get fitted(): Setting {
    return fold(this.entries).setting ?? this.engine.build.baseline.setting;
  }

  get errors(): PerZone<number> {
    return this.engine.errors(this.fitted, this.now, this.described);
  }

  /** Time goes on: now and then somebody reads the air again. */
  private pass(minutes: number): void {
    this.minutes += minutes;
    if (this.stops % 3 !== 2) return;
    this.air = laterAir(this.air, this.random);
    this.keepAir();
  }

  fit(changes: readonly Change[], because: FitEntry["because"] = "advice"): void {
    this.fits += 1;
    this.keep("fit", { changes: [...changes], because });
  }

  private ridden(...zones: readonly Zone[]): void {
    this.stops += 1;
    if (zones.includes("top") && isPastLimit(this.errors)) this.leanRides += 1;
  }

  private log(reading: Reading | undefined, minutes: number, cylinder?: number): Reading | undefined {
    if (reading) this.keep("look", { reading, ...(cylinder !== undefined && { cylinder }) });
    this.pass(minutes);
    return reading;
  }

  private seen(zone: Zone, cylinder?: number): number {
    if (cylinder === undefined) return this.errors[zone];
    return this.engine.errorsOf(cylinder, this.fitted, this.now, this.described)[zone];
  }

  plug(zone: Zone, cylinder?: number, minutes = 8): Reading | undefined {
    this.ridden(zone);
    return this.readPlug(zone, cylinder, minutes);
  }

  /** The plug of the ride that is over. */
  readPlug(zone: Zone, cylinder?: number, minutes = 5): Reading | undefined {
    const reading = readPlugOf(
      this.reader,
      this.seen(zone, cylinder) + (this.faulty?.plugShift(zone) ?? 0),
      zone,
      this.engine.build.fuel,
      this.random,
    );
    const finding = this.faulty?.plugFinding();
    const seen = finding && reading.type === "plug" ? { ...reading, findings: [finding] } : reading;
    return this.log(seen, minutes, cylinder);
  }

  /** Plugs of the top that exclude each other are looked at again in the shade, and the wrong ones are crossed out. */
  crossOut(): void {
    this.minutes += 3;
    const sharp = { ...this.reader, slips: 0 };
    const again = readPlugOf(sharp, this.seen("top"), "top", this.engine.build.fuel, this.random);
    const place = (one: Reading) => (one.type === "plug" ? TONES.indexOf(one.tone) : NaN);
    const fitted = JSON.stringify(this.fitted);
    for (const { entry, settings } of fold(this.entries).looks) {
      const { reading } = entry;
      if (reading.type !== "plug" || reading.zone !== "top" || JSON.stringify(settings[0]) !== fitted)
        continue;
      if (Math.abs(place(reading) - place(again)) >= 2)
        this.keep("strike", { strikes: entry.id, why: "read again in the shade" });
    }
  }

  /** What one ride read in each of its zones. */
  private along(
    zones: readonly Zone[],
    minutes: number,
    read: (zone: Zone) => Reading | undefined,
    cylinder?: number,
  ): void {
    this.ridden(...zones);
    zones
      .map(read)
      .forEach((reading, at) => this.log(reading, at === zones.length - 1 ? minutes : 0, cylinder));
  }

  lambda(zones: readonly Zone[], minutes: number, cylinder?: number): void {
    const { reader, random, faulty } = this;
    const { build } = this.engine;
    const errorAt = (zone: Zone) => this.seen(zone, cylinder) + (faulty?.lambdaShift(zone) ?? 0);
    this.along(zones, minutes, (zone) => readLambdaOf(reader, errorAt(zone), zone, build, random), cylinder);
  }

  heat(zones: readonly Zone[], minutes: number): void {
    const { reader, random, errors } = this;
    const { build } = this.engine;
    this.along(zones, minutes, (zone) => readHeatOf(reader, errors[zone], zone, build, random));
  }

  /** Told after a ride that was ridden anyway; asked for by itself it is a look. */
  report(asked: boolean): Reading | undefined {
    if (asked) this.ridden("top");
    const reading = rideReportOf(this.reader, this.errors, this.random);
    return this.log(reading, asked ? 6 : 0);
  }

  idle(): Reading | undefined {
    this.stops += 1;
    const at = (setting: Setting) => this.engine.errors(setting, this.now, this.described).idle;
    const reading = walkIdle(this.reader, this.fitted, at, this.random);
    if (reading) return this.log(reading, 8);
    // No fall-off in sight: all that the bench says is which way the engine wants to go.
    const symptom = this.errors.idle > 0 ? "hangsHigh" : "dropsLow";
    return this.log({ type: "symptom", zone: "idle", symptom }, 8);
  }

  /** What the tuner tells after a ride besides what was looked at. */
  notice(zone: Zone): void {
    for (const symptom of this.faulty?.noticed(zone, this.errors) ?? []) {
      const { zone: where } = SYMPTOMS[symptom];
      this.keep("look", { reading: { type: "symptom", zone: where, symptom } });
    }
  }

  answer(question: QuestionName): void {
    const idleAt = (screwTurns: number) =>
      this.engine.errors({ ...this.fitted, screwTurns }, this.now, this.described).idle;
    const [inside, outside] = SCREW_TRIED.map(idleAt);
    const crestInReach = inside !== undefined && outside !== undefined && inside * outside < 0;
    this.keep("answer", {
      question,
      is: this.faulty?.answer(question, this.errors, crestInReach) ?? "no",
    });
  }

  /** Nothing is found; asked a second time the tuner says so. */
  lookFor(fault: FaultName, check: CheckName): void {
    const passed = this.entries.some((entry) => entry.kind === "check" && entry.check === check);
    if (passed) this.keep("fault", { fault, is: "notThis", note: "" });
    else this.keep("check", { check, state: "pass", measured: {}, findings: [], note: "" });
    this.minutes += 6;
  }

  /** Jets around whatever is wrong until it looks right, as far as the box goes, and sees it so. */
  jetAround(): boolean {
    const { faulty, described, fitted } = this;
    const seen = (setting: Setting): PerZone<number> => {
      const errors = this.engine.errors(setting, this.now, described);
      return perZone((zone) => errors[zone] + (faulty?.plugShift(zone) ?? 0));
    };
    const around = rightInBox(seen, described, fitted);
    if (!around) return false;
    const changes = PARTS.filter((part) => around[part] !== fitted[part]);
    if (changes.length > 0)
      this.fit(
        changes.map((part) => ({ part, to: around[part] })),
        "own",
      );
    for (const zone of ["mid", "top"] as const) this.plug(zone);
    this.report(false);
    return true;
  }

  /** What was wrong is found, and is no longer. */
  mend(fault: FaultName, healthy: RealEngine): void {
    this.keep("fault", { fault, is: "mended", note: "" });
    this.engine = healthy;
    this.faulty = undefined;
    [this.stops, this.fits, this.leanRides] = [0, 0, 0];
  }

  /** What the tuner says is in it; whether the engine follows is another matter. */
  rebuild(build: Build): void {
    this.keep("build", { build, reopens: [], why: "" });
  }

  /** Another part goes in, what was in lies in the box. */
  swap(part: BenchPart, minutes: number): void {
    this.swaps += 1;
    this.minutes += minutes;
    this.described = fitPart(this.described, 0, part, `taken out ${this.swaps}`);
    this.rebuild(this.described);
  }

  outcome(finished: boolean, advice: Advice | undefined): Outcome {
    const { stops, minutes, fits, swaps, leanRides, errors } = this;
    const said = advice
      ? (["idle", "mid", "top"] as const).map((zone) => ({
          zone,
          chance: advice.zones.find((one) => one.zone === zone)?.pRight ?? 0,
        }))
      : [];
    const withinReach = boxReaches(this.engine, this.described, this.fitted, this.now);
    return { stops, minutes, fits, swaps, leanRides, errors, said, finished, withinReach };
  }

  /** Another day, in another air. */
  travel(air: AirState): void {
    this.air = air;
    this.minutes += 24 * 60;
    this.keepAir();
  }

  school(content: Extract<Entry, { kind: "school" }>["school"]): void {
    this.keep("school", { school: content });
  }
}

export const MOST_STEPS = 40;

/** What a stop asks for and a tuner can do at once; the rest ends the riding. */
function clears(bench: Bench, next: Advice["next"]): boolean {
  if (next.kind !== "stop") return false;
  if (next.because === "plugsContradict") bench.crossOut();
  else if (next.because === "pings" || next.because === "cutsOutHeldOpen") bench.readPlug("top");
  else return false;
  return true;
}

/**
 * One step to the letter.
 * @param tells - how it pulled is told after each ride
 * @returns false when there is nothing left to do
 */
export function followStep(bench: Bench, next: Advice["next"], tells: boolean): boolean {
  if (clears(bench, next)) return true;
  if (next.kind === "leave" || next.kind === "stop") return false;
  if (next.kind === "check") bench.lookFor(next.fault, next.check);
  else doAsAdvised(bench, next, tells);
  return true;
}

/** Does what is advised to the letter, until there is nothing left to do. */
export function followAdvice(bench: Bench, means: readonly LookMeans[], oneAtATime = false): Outcome {
  bench.school({ what: "lookWith", is: [...means] });
  if (oneAtATime) bench.school({ what: "changes", is: "oneAtATime" });
  const tells = means.includes("rideReport");
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const advice = advise(bench.entries);
    if (!followStep(bench, advice.next, tells)) return bench.outcome(true, advice);
  }
  return bench.outcome(false, advise(bench.entries));
}

/** One stop or one look. */
function doAsAdvised(bench: Bench, next: Advice["next"], tells: boolean): void {
  if (next.kind === "fit" || next.kind === "putBack") {
    const changes = next.kind === "fit" ? next.lines.flatMap((line) => line.changes) : next.changes;
    return bench.fit(changes.map(({ part, to }) => ({ part, to })));
  }
  if (next.kind === "part") return bench.swap(next.part, next.minutes);
  if (next.kind !== "ride") return;
  const { how, zone = "top", along = [], cylinder } = next;
  if (how === "idleBench") bench.idle();
  else if (how === "lambda") bench.lambda([zone, ...along], next.minutes, cylinder);
  else if (how === "temperature") bench.heat([zone, ...along], next.minutes);
  else if (how === "rideReport") bench.report(true);
  else bench.plug(zone, cylinder, next.minutes);
  if (tells && how !== "rideReport" && how !== "idleBench") bench.report(false);
  bench.notice(zone);
}

export interface FaultOutcome {
  readonly fault: FaultName | undefined;
  /** place of the true fault among all at the end, from 1; nothing where it is not listed */
  readonly rank: number | undefined;
  readonly chance: number;
  /** every fault that stood out at any time */
  readonly named: readonly FaultName[];
  /** at some time others stood out, and not the true one among them */
  readonly astray: boolean;
  /** it was left as it is while something was wrong with it: called right, or not worth more */
  readonly left: boolean;
  readonly stops: number;
  readonly questions: number;
}

/** A tuner who answers what is asked and looks where he is told, until he is sent to the walk-round or is done. */
export function chaseFault(
  bench: Bench,
  means: readonly LookMeans[],
  fault: FaultName | undefined,
): FaultOutcome {
  bench.school({ what: "lookWith", is: [...means] });
  const tells = means.includes("rideReport");
  const named = new Set<FaultName>();
  let [astray, left] = [false, false];
  let questions = 0;
  let faults: Advice["faults"] = [];
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const { next, faults: now, question, named: standsOut } = advise(bench.entries);
    faults = now;
    for (const one of standsOut) named.add(one.fault);
    astray ||= standsOut.length > 0 && standsOut.every((one) => one.fault !== fault);
    left =
      next.kind === "leave" &&
      (["idle", "mid", "top"] as const).some((zone) => Math.abs(bench.errors[zone]) > 0.05);
    if (question !== undefined) {
      questions += 1;
      bench.answer(question);
      continue;
    }
    if (clears(bench, next)) continue;
    if (next.kind === "leave" || next.kind === "stop" || next.kind === "check") break;
    doAsAdvised(bench, next, tells);
  }
  const place = faults.findIndex((one) => one.fault === fault);
  return {
    fault,
    rank: place < 0 ? undefined : place + 1,
    chance: faults[place]?.chance ?? 0,
    named: [...named],
    astray,
    left: left && fault !== undefined,
    stops: bench.stops,
    questions,
  };
}
