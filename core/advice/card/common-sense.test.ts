/**
 * What a tuner at a gate would say: seven rules, held over all starting rigs and airs. Ten seeds of doubt here;
 * 200 with `npm run test:long`.
 */
import { runs } from "../../__tests__/long.ts";
import type { AirState } from "../../air/humid-air.ts";
import { jetArea } from "../../carburettor/jet.ts";
import { seededRandom } from "../../numbers/random.ts";
import type { Build, Entry, Proven, Setting } from "../../log/schema.ts";
import type { Reading } from "../../log/schema.ts";
import { STARTING_KINDS, startingBuild } from "../../rig/starting-builds.ts";
import { numberingFromLog } from "../../rig/from-build.ts";
import { TWIN } from "../../../demo/other-rigs.ts";
import { at } from "../../__tests__/entries.ts";
import { ZONES } from "../../carburettor/zones.ts";
import { toneOf } from "../../looks/plug-tone.ts";
import { advise, type Advice } from "./advise.ts";
import { TOLERANCE } from "../judge/judge-setting.ts";
import { LEAST_GAIN } from "../plan/plan.ts";

const SEEDS = runs("TAMIS_SEEDS", 4, 200);
/** Like one of the others in all but its number of cylinders: only the long run has them too. */
const IN_LONG_RUNS = new Set<string>(["twin", "four"]);
const RIGS: readonly (readonly [string, Build])[] = [
  ...STARTING_KINDS.filter((kind) => process.env["TAMIS_LONG"] !== undefined || !IN_LONG_RUNS.has(kind)).map(
    (kind) => [kind, startingBuild(kind)] as const,
  ),
  ["the demo’s twin", TWIN.build],
];
const AIRS = {
  home: { temperatureK: 288.15, pressurePa: 101_325, relativeHumidity: 0.5 },
  hot: { temperatureK: 308.15, pressurePa: 101_000, relativeHumidity: 0.4 },
  damp: { temperatureK: 301.15, pressurePa: 100_500, relativeHumidity: 0.9 },
  hill: { temperatureK: 291.15, pressurePa: 85_500, relativeHumidity: 0.5 },
  frost: { temperatureK: 270.15, pressurePa: 102_800, relativeHumidity: 0.8 },
} as const satisfies Record<string, AirState>;

/** Boxes that reach as far as the airs do: a rule is not to hold only because the box ends. */
const wide = (build: Build): Build => {
  const { pilot, main } = build.baseline.setting;
  const sizes = (from: number, steps: number, step: number) =>
    Array.from({ length: steps }, (_, i) => from + i * step);
  return {
    ...build,
    box: { pilots: sizes(pilot - 8, 9, 2), mains: sizes(main - 27.5, 19, 2.5), shimsMm: [] },
  };
};

const logOf = (build: Build, proven: Proven, air: AirState | undefined, ...more: Entry[]): Entry[] => [
  {
    id: "build:0001",
    at: at("08:00"),
    kind: "build",
    build: { ...wide(build), baseline: { ...build.baseline, proven } },
    reopens: [],
    why: "",
  },
  ...(air
    ? [
        {
          id: "air:0001",
          at: at("08:30"),
          kind: "air" as const,
          temperatureK: air.temperatureK,
          humidity: { kind: "relative" as const, fraction: air.relativeHumidity },
          pressure: { kind: "station" as const, pressurePa: air.pressurePa },
          place: "",
        },
      ]
    : []),
  ...more,
];

/** How rich each part of a setting is, each on a scale of its own: the pilot with its screw taken together. */
function richness(build: Build, setting: Setting) {
  const { carburettor } = build;
  const pilotArea = jetArea(setting.pilot, numberingFromLog(carburettor.pilotNumbering));
  const bleed = carburettor.screw === "air" ? 1 / (1 + (0.25 + 0.5 * setting.screwTurns) ** 2) : 1;
  const opening = carburettor.screw === "fuel" ? (0.02 + 0.11 * setting.screwTurns) * 1e-6 : Infinity;
  const area = 0.8 * pilotArea;
  const series = opening === Infinity ? area : 1 / Math.hypot(1 / area, 1 / opening);
  return { idle: series * Math.sqrt(bleed), clip: setting.clip + setting.shimMm, main: setting.main };
}

const changesOf = ({ next }: Advice) =>
  next.kind === "fit" ? next.lines.flatMap((line) => line.changes) : [];
const seeds = Array.from({ length: SEEDS }, (_, i) => i + 1);

/** Looks at an engine whose errors are drawn: what each zone is truly off by stays the same all morning. */
function someLooks(seed: number): Entry[] {
  const random = seededRandom(seed);
  return ZONES.flatMap((zone, z): Entry[] => {
    if (random.uniform() < 0.35) return [];
    const tone = toneOf(0.07 * random.normal());
    const reading: Reading = { type: "plug", zone, tone, cut: "clean", colderSteps: 0 };
    return [{ id: `look:00${z}${seed}`, at: at(`09:${10 + z}`), kind: "look", reading }];
  });
}

const MANY_AIRS = Object.values(AIRS);

const daysBefore = (instant: string, days: number): string =>
  new Date(Date.parse(instant) - days * 86_400_000).toISOString().replace(/\.\d+Z/, "Z");

describe.each(RIGS)("common sense with a %s", (_, build) => {
  /** One morning a seed: some looks, and each of the airs in its turn. */
  const mornings = seeds.map((seed): Advice => {
    const air = MANY_AIRS[seed % MANY_AIRS.length];
    return advise(logOf(build, "book", air, ...someLooks(seed)));
  });

  it("1: on the day and with the setting known to be right nothing is urgent, and nothing changes", () => {
    for (const proven of ["measured", "ranWell", "book"] as const)
      for (const air of [undefined, AIRS.home])
        for (const daysOld of [0, 30, 120, 365]) {
          const log = logOf(build, proven, air).map((entry) =>
            entry.kind === "build" ? { ...entry, at: daysBefore(entry.at, daysOld) } : entry,
          );
          const advice = advise(log);
          const where = { proven, daysOld, air: air !== undefined };
          expect({ ...where, changes: changesOf(advice) }).toEqual({ ...where, changes: [] });
          expect(advice.card.setting).toEqual(build.baseline.setting);
          const codes = advice.warnings.map(({ code }) => code);
          expect({ ...where, codes }).toMatchObject({
            codes: expect.not.arrayContaining(["leanRisk"]) as string[],
          });
        }
  });

  it("2: thinner air makes no part richer, denser air none leaner", () => {
    for (const proven of ["measured", "book"] as const)
      for (const [name, air] of Object.entries(AIRS)) {
        const { card, fitted, air: worth } = advise(logOf(build, proven, air));
        const [was, is] = [richness(build, fitted), richness(build, card.setting)];
        for (const part of ["idle", "clip", "main"] as const) {
          const grows = is[part] > was[part] * (1 + 1e-9);
          const shrinks = is[part] < was[part] * (1 - 1e-9);
          const where = { name, proven, part, from: was[part], to: is[part] };
          if (worth.relativeDryDensity < 1) expect({ ...where, grows }).toMatchObject({ grows: false });
          if (worth.relativeDryDensity > 1) expect({ ...where, shrinks }).toMatchObject({ shrinks: false });
        }
      }
  });

  it("3: no zone that can be put right by hand is spoilt for one that cannot", () => {
    for (const advice of mornings) {
      if (advice.next.kind !== "fit" || advice.next.because === "danger") continue;
      for (const { zone, effect } of advice.next.lines) {
        const before = advice.zones.find((one) => one.zone === zone)?.mean ?? NaN;
        const withAll = advice.next.lines.reduce((sum, line) => sum + line.effect[zone], before);
        if (zone === "idle") expect(Math.abs(before + effect.idle)).toBeLessThan(Math.abs(before));
        // A main may make good what the clip does to the top, and lean a little to the side that is safe.
        else expect(Math.abs(withAll)).toBeLessThan(Math.max(Math.abs(before), 0.03));
      }
    }
  });

  it("4: danger at the top is answered by what feeds it, never by the mixture screw", () => {
    const chalk = (n: number): Entry => ({
      id: `look:chalk${n}`,
      at: at(`09:1${n}`),
      kind: "look",
      reading: { type: "plug", zone: "top", tone: "bone", cut: "clean", colderSteps: 0 },
    });
    const advice = advise(logOf(build, "book", AIRS.home, chalk(1), chalk(2)));
    // Its box reaches far enough on the rich side: there is a way out.
    expect(advice.next).toMatchObject({ kind: "fit", because: "danger" });
    const parts = changesOf(advice);
    const main = parts.find(({ part }) => part === "main");
    const clip = parts.find(({ part }) => part === "clip");
    expect((main && main.to > main.from) ?? (clip && clip.to > clip.from)).toBe(true);
    expect(advice.card.safe).toBe(true);
  });

  it("5: no change is worth less than 1.5 % in its own zone", () => {
    let lines = 0;
    for (const { next } of mornings) {
      if (next.kind !== "fit") continue;
      for (const { zone, effect } of next.lines)
        expect(Math.abs(effect[zone])).toBeGreaterThanOrEqual(0.015 - 1e-9);
      lines += next.lines.length;
      if (next.because === "plan") expect(next.gain).toBeGreaterThanOrEqual(LEAST_GAIN);
    }
    expect(lines).toBeGreaterThan(0);
  });

  it("6: the card is what the plan fits, line by line", () => {
    for (const advice of mornings) {
      const fitted = changesOf(advice).reduce((now, { part, to }) => ({ ...now, [part]: to }), advice.fitted);
      if (advice.next.kind === "fit") expect(advice.card.setting).toEqual(fitted);
      for (const { part, to } of advice.card.rows) expect(to).toBe(advice.card.setting[part]);
    }
  });

  it("7: a warning never contradicts the card, nor names a size that the box holds", () => {
    const { mains, pilots } = wide(build).box;
    for (const { warnings, card, zones, fitted } of mornings) {
      for (const warning of warnings) {
        if (warning.code === "mainAtStop") expect(mains).not.toContain(warning.wantedMain);
        if (warning.code === "mainAtStop") expect(warning.main).toBe(card.setting.main);
        if (warning.code === "noneRichEnough") expect(warning.wantedMain).toBeGreaterThan(Math.max(...mains));
        if (warning.code === "screwAtStop") expect(pilots).not.toContain(warning.wantedPilot);
      }
      // What is called the likelier side is the side that the mean stands on, and the card moves against it.
      for (const { zone, pLean, pRich, mean } of zones)
        if (Math.abs(mean) > 0.5 * TOLERANCE) expect([zone, pLean > pRich]).toEqual([zone, mean > 0]);
      const wanted = zones.find(({ zone }) => zone === "top")?.mean ?? 0;
      const { main } = card.setting;
      if (main !== fitted.main && Math.abs(wanted) > TOLERANCE)
        expect(Math.sign(main - fitted.main)).toBe(Math.sign(wanted));
    }
  });
});
