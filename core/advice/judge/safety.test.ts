/**
 * Nothing that the card says may lean an engine: the 5 % rule over all starting kinds, claims, airs, ages and changes
 * of the machine. The rule is written here a second time, from what was logged, not from what the judge remembers.
 * Ninety draws here; a thousand with `npm run test:long`.
 */
import { runs } from "../../__tests__/long.ts";
import { at, fitPart, lookWith } from "../../__tests__/entries.ts";
import { humidAir, type AirState } from "../../air/humid-air.ts";
import { seededRandom } from "../../numbers/random.ts";
import type { AirEntry, Build, Entry, Proven } from "../../log/schema.ts";
import { STARTING_KINDS, startingBuild, type StartingKind } from "../../rig/starting-builds.ts";
import { adviseOn } from "../card/advise.ts";
import { airOf, groupOf, judgeOf, openCase } from "./case.ts";
import { settingKey } from "./judge-setting.ts";

const HOME: AirState = { temperatureK: 288.15, pressurePa: 101_325, relativeHumidity: 0.5 };
const AIRS = {
  home: HOME,
  frost: { temperatureK: 268.15, pressurePa: 103_500, relativeHumidity: 0.8 },
  hot: { temperatureK: 308.15, pressurePa: 101_000, relativeHumidity: 0.4 },
  hill: { temperatureK: 291.15, pressurePa: 85_500, relativeHumidity: 0.5 },
  pass: { temperatureK: 283.15, pressurePa: 75_000, relativeHumidity: 0.6 },
} as const satisfies Record<string, AirState>;
const CLAIMS = ["guess", "book", "ranWell", "measured"] as const satisfies readonly Proven[];
const YEARS = [0, 1, 3, 10];

const airEntry = (state: AirState, time: string, day: string): AirEntry => ({
  id: "air:0001",
  at: at(time, day),
  kind: "air",
  temperatureK: state.temperatureK,
  humidity: { kind: "relative", fraction: state.relativeHumidity },
  pressure: { kind: "station", pressurePa: state.pressurePa },
  place: "",
});

const buildEntry = (id: string, build: Build, day: string, time = "08:00"): Entry => ({
  id: `build:${id}`,
  at: at(time, day),
  kind: "build",
  build,
  reopens: [],
  why: "",
});

/** What has become of the machine since the first claim, and the claim that is then the newest. */
interface Changed {
  readonly after?: Build;
  readonly claim?: Proven;
  readonly machine?: "another";
}
const CHANGES: Readonly<Record<string, (build: Build) => Changed>> = {
  none: () => ({}),
  "a larger cylinder": (build) => ({
    after: { ...build, engine: { ...build.engine, displacementCm3: build.engine.displacementCm3 * 1.2 } },
    machine: "another",
  }),
  "a larger cylinder, called a guess": (build) => ({
    after: {
      ...build,
      engine: { ...build.engine, displacementCm3: build.engine.displacementCm3 * 1.2 },
      baseline: { ...build.baseline, proven: "guess" },
    },
    claim: "guess",
  }),
  "another needle jet": (build) => ({
    after: {
      ...build,
      carburettor: { ...build.carburettor, needleJetMm: build.carburettor.needleJetMm - 0.01 },
    },
    machine: "another",
  }),
  "fuel with alcohol": (build) => ({ after: { ...build, fuel: { name: "petrol", ethanolPercent: 10 } } }),
  "a thinner mixture wanted": (build) => ({
    after: { ...build, targetLambda: { ...build.targetLambda, top: build.targetLambda.top - 0.03 } },
  }),
};

interface Drawn {
  readonly kind: StartingKind;
  readonly claim: Proven;
  readonly where: keyof typeof AIRS;
  readonly years: number;
  readonly change: string;
  readonly sparse: boolean;
}

const draws = runs("TAMIS_LOGS", 90, 1000);
const pick = <T>(random: ReturnType<typeof seededRandom>, from: readonly T[]): T =>
  from[Math.floor(random.uniform() * from.length)] as T;
const drawn: Drawn[] = Array.from({ length: draws }, (_, i) => {
  const random = seededRandom(2700 + i);
  return {
    kind: pick(random, STARTING_KINDS),
    claim: pick(random, CLAIMS),
    where: pick(random, Object.keys(AIRS) as (keyof typeof AIRS)[]),
    years: pick(random, YEARS),
    change: pick(random, Object.keys(CHANGES)),
    sparse: random.uniform() < 0.3,
  };
});

/** Boxes that reach as far as the airs do, or only those of the kind. */
const boxed = (build: Build, sparse: boolean): Build => {
  const { main, pilot } = build.baseline.setting;
  if (sparse) return build;
  const mains = Array.from({ length: 25 }, (_, i) => main + (i - 12) * (main > 200 ? 5 : 2.5));
  return { ...build, box: { ...build.box, mains, pilots: [pilot - 2, pilot, pilot + 2] } };
};

function adviceOn({ kind, claim, where, years, change, sparse }: Drawn) {
  const start = boxed(startingBuild(kind), sparse);
  const first: Build = { ...start, baseline: { ...start.baseline, air: HOME, proven: claim } };
  const changed = CHANGES[change]?.(first) ?? {};
  const firstDay = `${2026 - years}-05-23`;
  const air = airEntry(AIRS[where], "09:30", "2026-05-23");
  const log = [
    buildEntry("0001", first, firstDay),
    ...(changed.after ? [buildEntry("0002", changed.after, firstDay, "09:00")] : []),
    air,
  ];
  const open = openCase(log);
  const group = groupOf(open, 0);
  const advice = adviseOn(open, air);
  const judge = judgeOf(open, group, airOf(air, group.frame));
  const riskOf = (setting: typeof advice.fitted) => judge.judge(setting).leanRisk;
  return { advice, changed, risk: { card: riskOf(advice.card.setting), fitted: riskOf(advice.fitted) } };
}

describe("the 5 % rule, whatever the machine, its claim, the air and the years", () => {
  it("lets no card past it, and says danger where it is", () => {
    let [waived, dangers] = [0, 0];
    for (const one of drawn) {
      const { advice, changed, risk } = adviceOn(one);
      const stays = settingKey(advice.card.setting) === settingKey(advice.fitted);
      const claim = changed.claim ?? one.claim;
      const thinner = humidAir(AIRS[one.where]).dryDensityKgM3 <= humidAir(HOME).dryDensityKgM3 * (1 + 0.003);
      const claimed = stays && claim !== "guess" && thinner && changed.machine === undefined;
      const most = claimed ? 0.1 : 0.05;
      const saysDanger = advice.warnings.some(({ code }) => code === "leanRisk");
      const noneInBox = advice.warnings.some(({ code }) => code === "noneRichEnough");
      if (!noneInBox) expect({ ...one, most, over: risk.card > most + 1e-9 }).toMatchObject({ over: false });
      else expect(advice.next.kind).toBe("stop");
      const mostFitted = claim !== "guess" && thinner && changed.machine === undefined ? 0.1 : 0.05;
      if (risk.fitted > mostFitted)
        expect({ ...one, risk, saysDanger, next: advice.next.kind }).toMatchObject({
          saysDanger: true,
          next: expect.stringMatching(/^(fit|stop)$/) as string,
        });
      expect(advice.card.safe).toBe(!noneInBox);
      if (risk.card > 0.05 && !noneInBox) waived += 1;
      if (saysDanger) dangers += 1;
    }
    // Both sides of the rule were met.
    expect(waived).toBeGreaterThan(draws / 50);
    expect(dangers).toBeGreaterThan(draws / 10);
  });
});

describe("what is fitted and claimed to be right", () => {
  const kart = startingBuild("kart");
  const baseline = { ...kart.baseline, air: HOME, proven: "book" as const };
  const book = buildEntry("0001", { ...kart, baseline }, "2025-06-23");
  /** eleven months on: past 5 %, not yet past 10 */
  const today = airEntry(HOME, "08:00", "2026-05-23");
  const dangerIn = (...more: Entry[]) =>
    adviseOn(openCase([book, today, ...more])).warnings.some(({ code }) => code === "leanRisk");
  const riskOf = (...more: Entry[]) => {
    const open = openCase([book, today, ...more]);
    const group = groupOf(open, 0);
    return judgeOf(open, group, airOf(open.present.air, group.frame)).judge(group.fitted).leanRisk;
  };
  const work = (what: "mainCleaned" | "pilotCleaned"): Entry => ({
    id: "work:0001",
    at: at("10:00"),
    kind: "work",
    what,
    why: "",
  });

  it("may stay past 5 % for some months, and no more once its path was opened, the top was read or a leaner jet is in", () => {
    expect(riskOf()).toBeGreaterThan(0.05);
    expect(dangerIn()).toBe(false);
    expect(dangerIn(work("pilotCleaned"))).toBe(false);
    expect(dangerIn(work("mainCleaned"))).toBe(true);
    const { main } = baseline.setting;
    expect(dangerIn(fitPart("0001", "10:00", "main", main - 2.5))).toBe(true);
    const reading = { type: "plug", zone: "top", tone: "straw", cut: "clean", colderSteps: 0 } as const;
    expect(riskOf(lookWith("0001", "10:00", reading))).toBeGreaterThan(0.05);
    expect(dangerIn(lookWith("0001", "10:00", reading))).toBe(true);
  });

  it("may not stay in denser air, not even with a jet in that makes up for it", () => {
    const denser = { ...HOME, pressurePa: 1.033 * HOME.pressurePa };
    const { main } = baseline.setting;
    const richer = [airEntry(denser, "09:00", "2026-05-23"), fitPart("0001", "10:00", "main", main + 2.5)];
    expect(riskOf(...richer)).toBeGreaterThan(0.05);
    expect(riskOf(...richer)).toBeLessThan(0.1);
    expect(dangerIn(...richer)).toBe(true);
  });

  it("may stay in the claim's own air, whatever that is: by the top, not by another zone", () => {
    const frost = { ...AIRS.frost };
    const first = buildEntry("0001", { ...kart, baseline: { ...baseline, proven: "guess" } }, "2026-02-23");
    const inFrost: Entry = {
      id: "proven:0001",
      at: at("09:00", "2026-02-23"),
      kind: "proven",
      how: "ranWell",
      air: frost,
      note: "",
    };
    const open = openCase([first, inFrost, airEntry(frost, "09:00", "2026-05-23")]);
    const { warnings, zones } = adviseOn(open);
    expect(zones.find(({ zone }) => zone === "top")?.pPastLimit).toBeGreaterThan(0.05);
    expect(warnings.map(({ code }) => code)).not.toContain("leanRisk");
    // The same claim made at the sea, the frost asked about: another air, denser.
    const atSea = buildEntry("0001", { ...kart, baseline }, "2025-06-23");
    const laterInFrost = adviseOn(openCase([atSea, airEntry(frost, "09:00", "2026-05-23")]));
    expect(laterInFrost.warnings.map(({ code }) => code)).toContain("leanRisk");
  });

  it("counts by the newest claim: a guess after all ends it, and what was read later stands for itself", () => {
    const later = (proven: Proven): Entry =>
      buildEntry("0002", { ...kart, baseline: { ...baseline, proven } }, "2026-05-23", "09:00");
    expect(dangerIn(later("guess"))).toBe(true);
    expect(dangerIn(later("measured"))).toBe(false);
  });

  it("ages: after ten years a book’s word is no leave to ride flat out", () => {
    const air = airEntry(HOME, "09:30", "2036-05-23");
    expect(riskOf(air)).toBeGreaterThan(0.1);
    expect(dangerIn(air)).toBe(true);
  });
});

describe("a guessed top that nobody has read", () => {
  const bike = boxed(startingBuild("twoStrokeBike"), false);
  const guess = buildEntry(
    "0001",
    { ...bike, baseline: { ...bike.baseline, air: HOME, proven: "guess" } },
    "2026-05-23",
  );
  const home = airEntry(HOME, "08:30", "2026-05-23");
  /** three sizes richer, as the card had it before the first ride */
  const start = fitPart("0001", "09:00", "main", bike.baseline.setting.main + 7.5);
  const felt = lookWith("0001", "10:00", {
    type: "rideReport",
    felt: { idle: "clean", low: "clean", mid: "clean", top: "rich" },
  });
  const plugAt = (zone: "mid" | "top", id: string) =>
    lookWith(id, "10:30", { type: "plug", zone, tone: "soot", cut: "clean", colderSteps: 0 });
  const log = [guess, home, start];
  const leanerTop = (...more: Entry[]) => {
    const open = openCase([...log, ...more]);
    const group = groupOf(open, 0);
    const { lines } = judgeOf(open, group, airOf(open.present.air, group.frame));
    const advice = adviseOn(open);
    return { advice, by: lines(advice.card.setting).top.shift - lines(advice.fitted).top.shift };
  };

  it("is not leaned by what was felt there, nor by a plug of another zone: its own plug is asked for", () => {
    const { advice, by } = leanerTop(felt);
    expect(by).toBeLessThan(0.005);
    expect(advice.next).toMatchObject({ kind: "ride", how: "plug", zone: "top", rideFirst: "readsTop" });
    expect(leanerTop(felt, plugAt("mid", "0002")).by).toBeLessThan(0.005);
  });
  it("is leaned once its plug was read, and no more where its main was changed since", () => {
    expect(leanerTop(felt, plugAt("top", "0002")).by).toBeGreaterThan(0.02);
    const cleaned: Entry = {
      id: "work:0001",
      at: at("11:00"),
      kind: "work",
      what: "mainCleaned",
      why: "",
    };
    expect(leanerTop(felt, plugAt("top", "0002"), cleaned).by).toBeLessThan(0.005);
  });
  it("is leaned in thinner air, as far as the guess itself allows", () => {
    expect(
      leanerTop(felt, { ...airEntry(AIRS.hill, "11:00", "2026-05-23"), id: "air:0002" }).by,
    ).toBeGreaterThan(0.02);
  });
  it("is leaned by what is felt where nothing of this tuner’s reads it", () => {
    const byFeel: Entry = {
      id: "school:0001",
      at: at("08:40"),
      kind: "school",
      school: { what: "lookWith", is: ["rideReport"] },
    };
    expect(leanerTop(byFeel, felt).by).toBeGreaterThan(0.02);
  });
});
