/** A practice game: what the learner does, what the engine then shows, and the minutes it took. Replayed, never stored. */
import type { HumidAir } from "../air/humid-air.ts";
import { perZone, ZONES, type PerZone, type Zone } from "../carburettor/zones.ts";
import { FAULTS } from "../faults/registry.ts";
import { carburettorOf } from "../log/carburettor-of.ts";
import type { FaultName } from "../log/fault-names.ts";
import type { Change, Reading, Setting } from "../log/schema.ts";
import type { PlugFinding } from "../log/parts.ts";
import type { Symptom } from "../log/symptom-names.ts";
import type { CheckName } from "../log/walk-round-names.ts";
import { seededRandom } from "../numbers/random.ts";
import { LIGHTS } from "../pictures/light.ts";
import { plugScene, type Burns, type PlugScene } from "../pictures/plug-scene.ts";
import type { WitnessScene } from "../pictures/witness-pictures.ts";
import { carburettorCount, syncOf } from "../rig/carburettors.ts";
import { checkSettingOn } from "../rig/check-setting.ts";
import type { Faulty } from "../simulator/faulty.ts";
import { airOfState } from "../simulator/real-engine.ts";
import { CAREFUL_SD, isPastLimit, readHeatOf, type Reader } from "../simulator/reader.ts";
import { feltIn, type Felt } from "./feel.ts";
import {
  BALANCE_MINUTES,
  changeMinutes,
  checkMinutes,
  LOOK_MINUTES,
  MEND_MINUTES,
  RIDE_MINUTES,
} from "./minutes.ts";
import type { Hold } from "./levels.ts";
import { startOf, type Scenario } from "./scenario.ts";

export type Action =
  | { readonly do: "ride"; readonly hold: Hold; readonly cut: "clean" | "rolled" }
  | { readonly do: "plug"; readonly cylinder?: number | undefined }
  | { readonly do: "crown" | "header" }
  | { readonly do: "showMe" | "done" | "mend" }
  /** a reading of the idle at so many positions of the screw */
  | { readonly do: "idle"; readonly steps: number }
  | { readonly do: "inspect"; readonly check: CheckName }
  /** the gauges were brought so close together */
  | { readonly do: "balance"; readonly spreadPa: number }
  /** of one carburettor (from 1), or of all */
  | { readonly do: "change"; readonly changes: readonly Change[]; readonly carburettor?: number | undefined };

/** What a thermocouple in the head shows on a run. */
export type HeadShown = Extract<Reading, { type: "temperature" }>;

export type Shown =
  | {
      readonly kind: "ride";
      readonly felt: readonly Felt[];
      readonly noticed: readonly Symptom[];
      readonly heads: readonly HeadShown[];
      readonly hurt: boolean;
    }
  | { readonly kind: "plug"; readonly scene: PlugScene; readonly seed: number; readonly cylinder?: number }
  | { readonly kind: "crown" | "header"; readonly scene: WitnessScene; readonly seed: number }
  | { readonly kind: "changed" | "shown" | "ended" | "idled" | "balanced" }
  /** what the check found, if anything */
  | { readonly kind: "inspected"; readonly check: CheckName; readonly found?: FaultName }
  | { readonly kind: "mended"; readonly fault: FaultName }
  | { readonly kind: "refused"; readonly why: Refusal };

/** Why something cannot be done now; the words are the app's. */
export type Refusal =
  "noRideYet" | "noRideHere" | "over" | "noMinutes" | "impossible" | "nothingChanged" | "nothingFound";

/** The zones that a ride goes through until it holds its own. */
const THROUGH: Readonly<Record<Hold, readonly Zone[]>> = {
  idle: ["idle"],
  low: ["idle", "low"],
  mid: ["idle", "low", "mid"],
  top: ZONES,
  lap: ZONES,
};
/** The zone whose colour the plug takes. */
const COLOURS: Readonly<Record<Hold, Zone>> = {
  idle: "idle",
  low: "low",
  mid: "mid",
  top: "top",
  lap: "top",
};
/** An opening that is off by a share of an idle's opening leans or richens its own cylinder by so much of it. */
const OUT_OF_STEP: PerZone<number> = { idle: 0.6, low: 0.25, mid: 0.03, top: 0 };
/** A probe that is fitted well. */
const PROBE: Reader = {
  plug: { sd: 0, bias: 0 },
  lambda: { sd: 0, bias: 0 },
  idleTurns: { sd: 0 },
  idle: { bias: 0 },
  ride: { sd: 0, bias: 0 },
  heat: { sd: CAREFUL_SD.heat, bias: 0 },
  slips: 0,
};

interface Ridden {
  readonly hold: Hold;
  readonly cut: "clean" | "rolled";
  /** of each cylinder, as the plug shows it */
  readonly shows: readonly PerZone<number>[];
  readonly finding: PlugFinding | undefined;
}

export class Game {
  readonly scenario: Scenario;
  readonly actions: Action[] = [];
  /** of each carburettor */
  settings: readonly Setting[];
  minutes = 0;
  shown = 0;
  hurt = false;
  over = false;
  mended = false;
  private inStep: boolean;
  private found = false;
  private last: Ridden | undefined;
  private readonly air: HumidAir;
  private readonly faulty: Faulty | undefined;

  constructor(scenario: Scenario) {
    this.scenario = scenario;
    const start = startOf(scenario);
    this.settings = Array.from({ length: carburettorCount(scenario.build) }, () => start);
    this.air = airOfState(scenario.air);
    this.faulty = scenario.withFault?.();
    this.inStep = scenario.linked === undefined;
  }

  /** Of a cylinder, from 1. */
  errorsOf(cylinder: number, settings = this.settings): PerZone<number> {
    const { build, engine, healthy, linked } = this.scenario;
    const now = this.mended ? healthy : engine;
    const setting = settings[carburettorOf(build, cylinder - 1)] ?? startOf(this.scenario);
    const errors =
      build.engine.cylinders === 1
        ? now.errors(setting, this.air)
        : now.errorsOf(cylinder, setting, this.air);
    if (this.inStep || !linked) return errors;
    const mean = linked.offsets.reduce((sum, x) => sum + x, 0) / linked.offsets.length;
    const offset = (linked.offsets[cylinder - 1] ?? mean) - mean;
    return perZone((zone) => errors[zone] + OUT_OF_STEP[zone] * offset);
  }

  private get cylinders(): PerZone<number>[] {
    return Array.from({ length: this.scenario.build.engine.cylinders }, (_, i) => this.errorsOf(i + 1));
  }

  /** Mean of the cylinders. */
  get errors(): PerZone<number> {
    const all = this.cylinders;
    return perZone((zone) => all.reduce((sum, errors) => sum + errors[zone], 0) / all.length);
  }

  /** Mixture error at idle over the turns of the screw, for the tachometer's stand-in. */
  idleOver(turns: readonly number[]): number[] {
    return turns.map(
      (screwTurns) =>
        this.errorsOf(
          1,
          this.settings.map((setting) => ({ ...setting, screwTurns })),
        ).idle,
    );
  }

  /** Of the first carburettor. */
  get setting(): Setting {
    return this.settings[0] ?? startOf(this.scenario);
  }
  /** What the plug of the last ride has to show, of the first cylinder. */
  get ridden(): PerZone<number> | undefined {
    return this.last?.shows[0];
  }
  get minutesLeft(): number {
    return Math.max(0, this.scenario.minutes - this.minutes);
  }
  /** What is wrong with it that no jet cures, as long as it is. */
  get fault(): FaultName | undefined {
    return this.mended ? undefined : this.faulty?.fault;
  }

  /** What is drawn for the n-th action: the same on every replay. */
  private seed(): number {
    return 7919 * this.scenario.seed + 104_729 * this.actions.length + 13;
  }

  /** Does it, if it can be done; a refusal takes no time and is not kept. */
  act(action: Action): Shown {
    if (this.over) return { kind: "refused", why: "over" };
    const refused = this.refusal(action);
    if (refused) return { kind: "refused", why: refused };
    const shown = this.answer(action);
    this.actions.push(action);
    return shown;
  }

  private minutesOf(action: Action): number {
    switch (action.do) {
      case "ride":
        return RIDE_MINUTES[action.hold];
      case "change":
        return changeMinutes(this.differing(action));
      case "idle":
        return action.steps;
      case "inspect":
        return checkMinutes(action.check);
      case "balance":
        return BALANCE_MINUTES;
      case "mend":
        return MEND_MINUTES;
      case "done":
      case "showMe":
        return 0;
      default:
        return LOOK_MINUTES[action.do];
    }
  }

  private changed({ changes, carburettor }: Extract<Action, { do: "change" }>): Setting[] {
    const to = Object.fromEntries(changes.map(({ part, to: value }) => [part, value]));
    return this.settings.map((setting, i) =>
      carburettor === undefined || carburettor === i + 1 ? { ...setting, ...to } : setting,
    );
  }

  /** Those of the changes that change anything. */
  private differing(action: Extract<Action, { do: "change" }>): Change[] {
    const after = this.changed(action);
    return action.changes.filter(({ part }) =>
      after.some((setting, i) => setting[part] !== this.settings[i]?.[part]),
    );
  }

  private refusal(action: Action): Refusal | undefined {
    if (action.do === "ride" && !this.scenario.holds.includes(action.hold)) return "noRideHere";
    if ((action.do === "plug" || action.do === "crown" || action.do === "header") && !this.last)
      return "noRideYet";
    if (action.do === "mend" && !(this.found && this.fault)) return "nothingFound";
    if (action.do === "change") {
      if (this.differing(action).length === 0) return "nothingChanged";
      try {
        for (const setting of this.changed(action)) checkSettingOn(this.scenario.build, setting);
      } catch (error) {
        if (error instanceof RangeError) return "impossible";
        throw error;
      }
    }
    return this.minutesOf(action) > this.minutesLeft ? "noMinutes" : undefined;
  }

  private answer(action: Action): Shown {
    const seed = this.seed();
    this.minutes += this.minutesOf(action);
    switch (action.do) {
      case "ride":
        return this.ride(action.hold, action.cut, seed);
      case "change":
        // What is out of the engine shows the setting before.
        this.settings = this.changed(action);
        return { kind: "changed" };
      case "idle":
        return { kind: "idled" };
      case "balance":
        this.inStep ||= action.spreadPa <= syncOf(this.scenario.build).vacuumSpreadPa;
        return { kind: "balanced" };
      case "inspect":
        return this.inspect(action.check);
      case "mend":
        return this.mend();
      case "showMe":
        this.shown += 1;
        return { kind: "shown" };
      case "done":
        this.over = true;
        return { kind: "ended" };
      default:
        return this.look(action, seed);
    }
  }

  private ride(hold: Hold, cut: "clean" | "rolled", seed: number): Shown {
    const random = seededRandom(seed);
    const { cylinders, errors, faulty, fault } = this;
    const { build } = this.scenario;
    const plugShift = (zone: Zone) => (fault ? (faulty?.plugShift(zone) ?? 0) : 0);
    this.last = {
      hold,
      cut,
      shows: cylinders.map((own) => perZone((zone) => own[zone] + plugShift(zone))),
      finding: fault && faulty?.plugFinding(),
    };
    this.hurt = THROUGH[hold].includes("top") && cylinders.some(isPastLimit);
    this.over = this.hurt;
    const through = THROUGH[hold];
    return {
      kind: "ride",
      felt: through.map((zone) => feltIn(zone, errors[zone], random)),
      noticed: fault && faulty ? through.flatMap((zone) => faulty.noticed(zone, errors)) : [],
      heads: through.flatMap((zone) => {
        const reading = readHeatOf(PROBE, errors[zone], zone, build, random);
        return reading?.type === "temperature" ? [reading] : [];
      }),
      hurt: this.hurt,
    };
  }

  private inspect(check: CheckName): Shown {
    const found = this.fault && FAULTS[this.fault].check === check ? this.fault : undefined;
    this.found ||= found !== undefined;
    return { kind: "inspected", check, ...(found && { found }) };
  }

  private mend(): Shown {
    const { fault } = this;
    if (!fault) throw new RangeError("a fault must be found before it is mended");
    this.mended = true;
    return { kind: "mended", fault };
  }

  private look(action: Extract<Action, { do: "plug" | "crown" | "header" }>, seed: number): Shown {
    if (!this.last) throw new RangeError("a look must follow a ride");
    const { hold, cut, shows, finding } = this.last;
    const random = seededRandom(seed);
    const light = LIGHTS[Math.floor(3 * random.uniform())] ?? "shade";
    const burns = burnsIn(this.scenario);
    const cylinder = action.do === "plug" ? (action.cylinder ?? 1) : 1;
    const own = shows[cylinder - 1] ?? shows[0] ?? this.errors;
    const error = own[COLOURS[hold]];
    if (action.do !== "plug") return { kind: action.do, scene: { error, burns, light }, seed };
    const painted = cut === "rolled" ? own.idle : undefined;
    return {
      kind: "plug",
      scene: plugScene(error, {
        light,
        burns,
        findings: finding ? [finding] : [],
        ...(painted !== undefined && { painted }),
      }),
      seed,
      ...(shows.length > 1 && { cylinder }),
    };
  }
}

function burnsIn({ build }: Scenario): Burns {
  if (build.fuel.name === "methanol") return "methanol";
  return build.engine.strokes === 2 ? "twoStroke" : "fourStroke";
}

/** @returns the game that these actions make; refused ones are left out as they were when it was played */
export function replay(scenario: Scenario, actions: readonly Action[]): Game {
  const game = new Game(scenario);
  for (const action of actions) game.act(action);
  return game;
}
