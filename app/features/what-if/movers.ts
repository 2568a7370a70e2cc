/** All adjustable values of a what-if trial: name, range, step, effect. */
import type { AirState } from "#core/air/humid-air.ts";
import type { Build, Setting } from "#core/log/schema.ts";
import type { TrialAsked } from "#core/log/trial-asked.ts";
import { PARTS, type Part } from "#core/log/parts.ts";
import { SCREW_DOMAIN } from "#core/carburettor/carburettor.ts";
import { mm } from "#app/vocabulary/bench-parts.ts";
import { PART_NAMES, partValueInFull } from "#app/vocabulary/parts.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { formatQuantity } from "#app/vocabulary/numerals.ts";

export interface Mover {
  readonly key: string;
  readonly label: string;
  readonly from: number;
  readonly to: number;
  readonly step: number;
  readonly value: number;
  /** as it is now, where nothing is moved */
  readonly now: number;
  readonly words: (value: number) => string;
  readonly moved: (asked: TrialAsked, value: number) => TrialAsked;
}

export interface Movers {
  readonly adjusters: readonly Mover[];
  readonly air: readonly Mover[];
  readonly tank: readonly Mover[];
  readonly parts: readonly Mover[];
}

export interface Moving {
  readonly asked: TrialAsked;
  readonly build: Build;
  readonly fitted: Setting;
  readonly today: AirState;
  readonly units: Preferences;
}

/** A jet a fifth away is another engine's. */
const JET_REACH = 0.2;
const MOST_SHIMS_MM = 2;

function reach(part: Part, { build, fitted }: Moving): { from: number; to: number; step: number } {
  const around = fitted[part];
  switch (part) {
    case "screwTurns":
      return { from: SCREW_DOMAIN.min, to: Math.min(SCREW_DOMAIN.max, Math.max(5, around + 1)), step: 0.125 };
    case "clip":
      return { from: 1, to: build.carburettor.needle.grooves, step: 1 };
    case "shimMm":
      return { from: Math.min(0, around), to: MOST_SHIMS_MM, step: 0.05 };
    default: {
      const step = part === "pilot" ? 0.5 : 1;
      const least = Math.max(5, Math.floor((around * (1 - JET_REACH)) / step) * step);
      return { from: least, to: Math.ceil((around * (1 + JET_REACH)) / step) * step, step };
    }
  }
}

const adjuster = (part: Part, moving: Moving): Mover => ({
  key: part,
  label: PART_NAMES[part],
  ...reach(part, moving),
  value: moving.asked.setting[part],
  now: moving.fitted[part],
  words: (value) => partValueInFull(part, value),
  moved: (asked, value) => ({ ...asked, setting: { ...asked.setting, [part]: value } }),
});

/** Of an air only what is typed of one: the rest is worked out. */
function airIn(asked: TrialAsked, today: AirState): AirState {
  const { temperatureK, pressurePa, relativeHumidity } = asked.air ?? today;
  return { temperatureK, pressurePa, relativeHumidity };
}

function airMovers({ asked, today, units }: Moving): Mover[] {
  const air = airIn(asked, today);
  const mover = (
    key: keyof AirState,
    label: string,
    span: readonly [from: number, to: number, step: number],
    words: (value: number) => string,
  ): Mover => ({
    key,
    label,
    from: span[0],
    to: span[1],
    step: span[2],
    value: air[key],
    now: today[key],
    words,
    moved: (before, to) => ({ ...before, air: { ...airIn(before, today), [key]: to } }),
  });
  return [
    mover("temperatureK", "Temperature", [248.15, 323.15, 0.5], (value) =>
      formatQuantity("temperature", value, units.temperature),
    ),
    mover("pressurePa", "Pressure here", [60_000, 106_000, 100], (value) =>
      formatQuantity("pressure", value, units.pressure),
    ),
    mover("relativeHumidity", "Humidity", [0, 1, 0.01], (value) => `${Math.round(100 * value)} %`),
  ];
}

/** So little oil makes no difference: moved there, none is mixed in. */
const LEAST_OIL = 101;
const MOST_OIL = 20;

/** Ethanol and oil: the oil moves by its ratio, upwards to less of it. */
function tankMovers({ asked, build }: Moving): Mover[] {
  const fuel = asked.fuel ?? build.fuel;
  // What is tried already counts as it is when this one is moved, not as it was when it was drawn.
  const oilIn = (tried: TrialAsked) => {
    const { oilRatio } = tried.fuel ?? build.fuel;
    return oilRatio === undefined ? {} : { oilRatio };
  };
  const ethanolOf = (of: typeof fuel) => (of.name === "petrol" ? (of.ethanolPercent ?? 0) : 0);
  const ethanol: Mover = {
    key: "ethanol",
    label: "Ethanol in it",
    from: 0,
    to: 100,
    step: 5,
    value: ethanolOf(fuel),
    now: ethanolOf(build.fuel),
    words: (value) => `${Math.round(value)} %`,
    moved: (before, to) => ({ ...before, fuel: { ...oilIn(before), name: "petrol", ethanolPercent: to } }),
  };
  const oil: Mover = {
    key: "oil",
    label: "Premix",
    from: MOST_OIL,
    to: LEAST_OIL,
    step: 1,
    value: Math.min(LEAST_OIL, fuel.oilRatio ?? LEAST_OIL),
    now: Math.min(LEAST_OIL, build.fuel.oilRatio ?? LEAST_OIL),
    words: (value) => (value >= LEAST_OIL ? "no oil" : `1:${Math.round(value)}`),
    moved: (before, to) => {
      const bare = { ...(before.fuel ?? build.fuel) };
      delete bare.oilRatio;
      return { ...before, fuel: to >= LEAST_OIL ? bare : { ...bare, oilRatio: Math.round(to) } };
    },
  };
  return [...(fuel.name === "petrol" ? [ethanol] : []), ...(build.engine.strokes === 2 ? [oil] : [])];
}

function partMovers({ asked, build }: Moving): Mover[] {
  const { needleJetMm, slide } = build.carburettor;
  const part = (
    key: "needleJetMm" | "thickerMm" | "cutawayMm",
    label: string,
    now: number,
    span: readonly [from: number, to: number, step: number],
    words = mm,
  ): Mover => ({
    key,
    label,
    from: span[0],
    to: span[1],
    step: span[2],
    value: asked[key] ?? now,
    now,
    words,
    moved: (before, to) => ({ ...before, [key]: Number(to.toFixed(4)) }),
  });
  return [
    part("needleJetMm", "Needle jet", needleJetMm, [needleJetMm - 0.1, needleJetMm + 0.1, 0.01]),
    part("thickerMm", "Needle thicker by", 0, [-0.06, 0.06, 0.005]),
    ...(slide.kind === "manual"
      ? [
          part("cutawayMm", "Cutaway", slide.cutawayMm, [
            Math.max(0, slide.cutawayMm - 2),
            slide.cutawayMm + 2,
            0.25,
          ]),
        ]
      : []),
  ];
}

export const moversOf = (moving: Moving): Movers => ({
  adjusters: PARTS.map((part) => adjuster(part, moving)),
  air: airMovers(moving),
  tank: tankMovers(moving),
  parts: partMovers(moving),
});

/** @returns what is moved, in words: `Main 158 → 155`; nothing where all is as it is */
export const movedWords = ({ adjusters, air, tank, parts }: Movers): string[] =>
  [...adjusters, ...air, ...tank, ...parts]
    .filter(({ value, now, step }) => Math.abs(value - now) > step / 100)
    .map(({ label, value, now, words }) => `${label} ${words(now)} → ${words(value)}`);
