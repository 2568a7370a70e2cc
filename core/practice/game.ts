/** A practice game: what the learner does, what the engine then shows, and the minutes it took. Replayed, never stored. */
import type { HumidAir } from "../air/humid-air.ts";
import { ZONES, type PerZone, type Zone } from "../carburettor/zones.ts";
import type { Change, Setting } from "../log/schema.ts";
import type { Part } from "../log/parts.ts";
import { seededRandom } from "../numbers/random.ts";
import { LIGHTS } from "../pictures/light.ts";
import { plugScene, type PlugScene } from "../pictures/plug-scene.ts";
import type { WitnessScene } from "../pictures/witness-pictures.ts";
import { checkSettingOn } from "../rig/check-setting.ts";
import { airOfState } from "../simulator/real-engine.ts";
import { isPastLimit } from "../simulator/reader.ts";
import { feltIn, type Felt } from "./feel.ts";
import { startOf, type Scenario } from "./scenario.ts";

/** What is held on a ride; a lap goes through everything. */
export const HOLDS = ["idle", "low", "mid", "top", "lap"] as const;
export type Hold = (typeof HOLDS)[number];

export type Action =
  | { readonly do: "ride"; readonly hold: Hold; readonly cut: "clean" | "rolled" }
  | { readonly do: "plug" | "crown" | "header" | "showMe" | "done" }
  | { readonly do: "change"; readonly changes: readonly Change[] };

export type Shown =
  | { readonly kind: "ride"; readonly felt: readonly Felt[]; readonly hurt: boolean }
  | { readonly kind: "plug"; readonly scene: PlugScene; readonly seed: number }
  | { readonly kind: "crown" | "header"; readonly scene: WitnessScene; readonly seed: number }
  | { readonly kind: "changed"; readonly setting: Setting }
  | { readonly kind: "refused"; readonly why: Refusal }
  | { readonly kind: "shown" | "ended" };

/** Why something cannot be done now; the words are the app's. */
export type Refusal = "noRideYet" | "noRideHere" | "over" | "noMinutes" | "impossible" | "nothingChanged";

export const RIDE_MINUTES: Readonly<Record<Hold, number>> = { idle: 6, low: 8, mid: 8, top: 8, lap: 12 };
export const LOOK_MINUTES = { plug: 3, crown: 2, header: 2 } as const;
export const CHANGE_MINUTES: Readonly<Record<Part, number>> = {
  screwTurns: 1,
  clip: 6,
  main: 8,
  pilot: 10,
  shimMm: 6,
};
/** Two jets of one bowl come out together: each further part takes half as long. */
const ALONG_SHARE = 0.5;

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

export function changeMinutes(changes: readonly Change[]): number {
  const each = changes.map(({ part }) => CHANGE_MINUTES[part]).sort((a, b) => b - a);
  return each.reduce((sum, minutes, i) => sum + (i === 0 ? minutes : ALONG_SHARE * minutes), 0);
}

export class Game {
  readonly scenario: Scenario;
  readonly actions: Action[] = [];
  setting: Setting;
  minutes = 0;
  shown = 0;
  hurt = false;
  over = false;
  private last:
    { readonly hold: Hold; readonly cut: "clean" | "rolled"; readonly errors: PerZone<number> } | undefined;
  private readonly air: HumidAir;

  constructor(scenario: Scenario) {
    this.scenario = scenario;
    this.setting = startOf(scenario);
    this.air = airOfState(scenario.air);
  }

  get errors(): PerZone<number> {
    return this.scenario.engine.errors(this.setting, this.air);
  }
  get minutesLeft(): number {
    return Math.max(0, this.scenario.minutes - this.minutes);
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
    if (action.do === "ride") return RIDE_MINUTES[action.hold];
    if (action.do === "change") return changeMinutes(this.differing(action.changes));
    return action.do === "done" || action.do === "showMe" ? 0 : LOOK_MINUTES[action.do];
  }

  private differing(changes: readonly Change[]): Change[] {
    return changes.filter(({ part, to }) => this.setting[part] !== to);
  }

  private refusal(action: Action): Refusal | undefined {
    if (action.do === "ride" && this.scenario.noRide) return "noRideHere";
    if ((action.do === "plug" || action.do === "crown" || action.do === "header") && !this.last)
      return "noRideYet";
    if (action.do === "change") {
      const changes = this.differing(action.changes);
      if (changes.length === 0) return "nothingChanged";
      try {
        checkSettingOn(this.scenario.build, this.changed(changes));
      } catch (error) {
        if (error instanceof RangeError) return "impossible";
        throw error;
      }
    }
    return this.minutesOf(action) > this.minutesLeft ? "noMinutes" : undefined;
  }

  private changed(changes: readonly Change[]): Setting {
    return { ...this.setting, ...Object.fromEntries(changes.map(({ part, to }) => [part, to])) };
  }

  private answer(action: Action): Shown {
    const seed = this.seed();
    const random = seededRandom(seed);
    this.minutes += this.minutesOf(action);
    switch (action.do) {
      case "ride": {
        const { errors } = this;
        const { hold, cut } = action;
        this.last = { hold, cut, errors };
        this.hurt = THROUGH[hold].includes("top") && isPastLimit(errors);
        this.over = this.hurt;
        return {
          kind: "ride",
          felt: THROUGH[hold].map((zone) => feltIn(zone, errors[zone], random)),
          hurt: this.hurt,
        };
      }
      case "change":
        this.setting = this.changed(action.changes);
        // What is out of the engine shows the setting before.
        return { kind: "changed", setting: this.setting };
      case "showMe":
        this.shown += 1;
        return { kind: "shown" };
      case "done":
        this.over = true;
        return { kind: "ended" };
      default:
        return this.look(action.do, seed);
    }
  }

  private look(what: "plug" | "crown" | "header", seed: number): Shown {
    if (!this.last) throw new RangeError("a look must follow a ride");
    const { hold, cut, errors } = this.last;
    const random = seededRandom(seed);
    const light = LIGHTS[Math.floor(3 * random.uniform())] ?? "shade";
    const burns = this.scenario.build.engine.strokes === 2 ? ("twoStroke" as const) : ("fourStroke" as const);
    const error = errors[COLOURS[hold]];
    if (what !== "plug") return { kind: what, scene: { error, burns, light }, seed };
    const painted = cut === "rolled" ? errors.idle : undefined;
    return {
      kind: "plug",
      scene: plugScene(error, { light, burns, ...(painted !== undefined && { painted }) }),
      seed,
    };
  }
}

/** @returns the game that these actions make; refused ones are left out as they were when it was played */
export function replay(scenario: Scenario, actions: readonly Action[]): Game {
  const game = new Game(scenario);
  for (const action of actions) game.act(action);
  return game;
}
