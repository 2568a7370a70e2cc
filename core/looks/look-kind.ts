/** Interface that every kind of look implements; one file a kind, listed in registry.ts. */
import type { Setting } from "../carburettor/carburettor.ts";
import type { Zone } from "../carburettor/zones.ts";
import type { LookMeans, ScrewSchool } from "../log/schools.ts";
import type { Build, Reading } from "../log/schema.ts";
import type { ReadingOf } from "../log/readings/reading.ts";
import type { HeatSlope } from "./heat-slope.ts";
import type { InstrumentKind } from "./instruments.ts";
import type { Likelihood } from "./likelihood.ts";
import type { Line, ZoneMixture } from "./line.ts";

/** What a look says along one line. */
export interface Observation {
  readonly zone: Zone;
  readonly line: Line;
  readonly likelihood: Likelihood;
  /** of two settings: how far the mixture moved here, and what is said of a move of that size */
  readonly moved?: { readonly by: number; readonly likelihoodOf: (by: number) => Likelihood };
  /** weighs nothing by itself; it is drawn nowhere */
  readonly silent?: true;
}

/** Where and when it was taken, and what the rest of the log knows that a look cannot say by itself. */
export interface LookContext {
  readonly build: Build;
  /** what any setting does on that machine, in that air */
  readonly mixtureOf: ZoneMixture;
  readonly setting: Setting;
  /** fitted before the change that the look is about; the same where there was none */
  readonly before: Setting;
  readonly screwSchool: ScrewSchool;
  /** what this engine's temperatures have taught */
  readonly heatSlope?: HeatSlope | undefined;
  /** the air then against the baseline's; nothing where none was read */
  readonly warmerK?: number | undefined;
}

/** How a look that could be taken next is called. */
export type LookHow =
  | "plug"
  | "idleBench"
  | "lambda"
  | "temperature"
  | "timedPair"
  | "rideReport"
  | "crown"
  | "header"
  | "symptom";

/** What a look of this kind could show, were it the next. */
export interface NextLook {
  readonly how: LookHow;
  readonly means: LookMeans;
  /** the rides (or benches) on which it can be taken on this rig, each with the zones it then speaks of */
  readonly rides: (build: Build) => readonly (readonly Zone[])[];
  /** sd of what one such look says of its zone on this rig, log mixture, without its instrument's own error */
  readonly sd: (zone: Zone, build: Build, seen: readonly Reading[]) => number;
  readonly minutes: (zone: Zone) => number;
  /** it is about two settings, not about what is fitted */
  readonly pair?: true;
  /** of a ride ridden for it: how it pulled can be told with it, zone by zone */
  readonly felt?: true;
}

export interface LookKind<T extends Reading["type"]> {
  /** @returns what it says, one item a zone it speaks of */
  readonly observe: (reading: ReadingOf<T>, context: LookContext) => readonly Observation[];
  /** whose error it shares; nothing where each is its own */
  readonly instrument?: InstrumentKind;
  /** felt in the saddle, not read off the engine or an instrument */
  readonly byFeel?: true;
  readonly next?: NextLook;
}
