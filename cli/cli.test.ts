import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ENDURO_BUILD } from "../demo/enduro-build.ts";
import { PublishedAdvice } from "#core/advice/card/published-schema.ts";
import { demoMovedTo } from "../demo/told.ts";
import { run } from "./run.ts";

const folder = mkdtempSync(join(tmpdir(), "tamis-cli-"));
afterAll(() => rmSync(folder, { recursive: true }));

const file = (name: string, content: unknown): string => {
  const path = join(folder, name);
  writeFileSync(path, typeof content === "string" ? content : JSON.stringify(content));
  return path;
};
/** Whatever is printed as advice holds to what is published. */
function expectPublished(printed: unknown): void {
  const parsed = PublishedAdvice.safeParse(printed);
  expect(parsed.success ? [] : parsed.error.issues).toEqual([]);
}
const answer = (...argv: string[]): Record<string, never> => {
  const { stdout, stderr, exitCode } = run(argv);
  expect({ stderr, exitCode }).toEqual({ stderr: undefined, exitCode: 0 });
  return JSON.parse(stdout ?? "") as Record<string, never>;
};

const CASES = [
  { name: "pilot 48", setting: { pilot: 48 } },
  { name: "mountain", air: { temperatureK: 303.15, relativeHumidity: 0.4, elevationM: 1500 } },
  {
    name: "mountain card",
    setting: { main: 152, clip: 2 },
    air: { temperatureK: 303.15, relativeHumidity: 0.4, elevationM: 1500 },
  },
];
const shiftFile = (change: object = {}) => ({
  format: "tamis-shift",
  version: 1,
  build: ENDURO_BUILD,
  cases: CASES,
  ...change,
});
const DEMOS = demoMovedTo("2026-05-23", "+02:00");
const [ENDURO] = DEMOS;
if (!ENDURO) throw new Error("the demo has rigs");
const { header, entries } = ENDURO;
const logFile = () => {
  return { format: "tamis", version: 1, savedAt: "2026-05-23T18:00:00+02:00", rigs: [{ header, entries }] };
};

describe("air", () => {
  it("prints the air in SI", () => {
    const air = answer("air", "--temp", "20", "--pressure", "101325", "--humidity", "50");
    expect(air["densityKgM3"]).toBeCloseTo(1.199314491, 8);
    expect(air["dryDensityKgM3"]).toBeCloseTo(1.190631109, 8);
    expect(air["vapourPressurePa"]).toBeCloseTo(1174.28989, 4);
  });

  it("takes numbers as scripts write them", () => {
    expect(answer("air", "--temp", "2e1", "--pressure", "1.01325e5", "--humidity", "50")["pressurePa"]).toBe(
      101_325,
    );
  });

  it("takes frost, other units, other instruments and other barometers", () => {
    expect(answer("air", "--temp", "-5", "--pressure", "863 hPa", "--humidity", "50")["temperatureK"]).toBe(
      268.15,
    );
    expect(
      answer("air", "--temp", "68 °F", "--elevation", "1500", "--dew-point", "10")["pressurePa"],
    ).toBeCloseTo(84_556, 0);
    const seaLevel = answer(
      "air",
      "--temp",
      "20",
      "--sea-level-pressure",
      "101800",
      "--elevation",
      "1380",
      "--wet-bulb",
      "14",
    );
    expect(seaLevel["pressurePa"]).toBeLessThan(87_000);
  });
});

describe("shift", () => {
  it("prints the worked example", () => {
    const { baseline, cases } = answer("shift", file("rig.json", shiftFile())) as unknown as {
      baseline: { authority: Record<string, Record<string, number>> };
      cases: { name: string; shiftPercent: Record<string, number> }[];
    };
    expect(baseline.authority["top"]?.["main"]).toBeCloseTo(0.6333, 4);
    expect(cases.map(({ name }) => name)).toEqual(["pilot 48", "mountain", "mountain card"]);
    const [pilot, mountain, card] = cases.map(({ shiftPercent }) => shiftPercent);
    expect(pilot?.["idle"]).toBeCloseTo(-11.07, 1);
    expect(mountain?.["top"]).toBeCloseTo(-11.19, 1);
    expect(card?.["mid"]).toBeCloseTo(-3.31, 1);
  });
});

describe("advise", () => {
  it("prints card, next step and beliefs of an exported log", () => {
    const advice = answer("advise", file("log.json", logFile())) as unknown as Record<string, unknown[]>;
    expect(Object.keys(advice).join(" ")).toBe(
      "rig held carburettors fitted card next zones warnings surprises faults claims instruments worths air leanings buy",
    );
    expect(advice["zones"]?.map((zone) => (zone as { zone: string }).zone)).toEqual([
      "idle",
      "low",
      "mid",
      "top",
    ]);
    expect(advice["zones"]?.[3]).toEqual(
      expect.objectContaining({ mean: expect.any(Number) as number, pLean: expect.any(Number) as number }),
    );
  });
});

describe("bad input", () => {
  const bent = { ...ENDURO_BUILD, carburettor: { ...ENDURO_BUILD.carburettor, needleJetMm: 2.5 } };
  it.each([
    ["no command", () => [], "command must be one of air, shift, advise"],
    ["a command of another tool", () => ["toString"], "command must be one of"],
    ["no temperature", () => ["air", "--pressure", "101325", "--humidity", "50"], "air needs --temp"],
    [
      "two humidities",
      () => ["air", "--temp", "20", "--pressure", "101325", "--humidity", "50", "--dew-point", "9"],
      "exactly one of",
    ],
    ["no pressure", () => ["air", "--temp", "20", "--humidity", "50"], "air needs --pressure"],
    [
      "hectopascals taken for pascals",
      () => ["air", "--temp", "20", "--pressure", "1013", "--humidity", "50"],
      "pressure must be in 50000..110000 Pa, got 1013",
    ],
    [
      "a word for a number",
      () => ["air", "--temp", "warm", "--pressure", "101325", "--humidity", "50"],
      '--temp must be a number with or without a unit (°C), got "warm"',
    ],
    ["an unknown option", () => ["air", "--mood", "good"], "mood"],
    ["no file", () => ["shift"], "shift needs a file"],
    ["a missing file", () => ["advise", join(folder, "nothing.json")], "cannot be read"],
    ["a shift file that is not JSON", () => ["shift", file("a.json", "{")], "is not JSON"],
    [
      "a shift file of another version",
      () => ["shift", file("b.json", shiftFile({ version: 2 }))],
      "version",
    ],
    [
      "a needle thicker than its jet",
      () => ["shift", file("c.json", shiftFile({ build: bent }))],
      "needle must be thinner than its jet (2.5 mm)",
    ],
    [
      "a groove the needle has not",
      () => ["shift", file("d.json", shiftFile({ cases: [{ name: "x", setting: { clip: 9 } }] }))],
      "clip must be in 1..5, got 9",
    ],
    ["a log that is none", () => ["advise", file("e.json", "[]")], "not a Tamis log"],
    [
      "an unknown rig",
      () => ["advise", file("f.json", logFile()), "--rig", "rig:none"],
      "say which rig with --rig: rig:demo-enduro",
    ],
  ])("%s: one line on stderr and exit code 2", (_, argv, words) => {
    const { stdout, stderr, exitCode } = run(argv());
    expect(exitCode).toBe(2);
    expect(stdout).toBeUndefined();
    expect(stderr).toContain(words);
    expect(stderr).not.toContain("\n");
  });
});

describe("what advise prints of the next step", () => {
  const logOf = (more: readonly object[], rig: readonly object[] = entries) => ({
    format: "tamis",
    version: 3,
    savedAt: "2026-05-23T18:00:00+02:00",
    rigs: [{ header, entries: [...rig, ...more] }],
  });
  it("is as published, whatever it says", () => {
    for (const log of [logOf([]), logOf([], [first]), logOf([], [measured])])
      expectPublished(answer("advise", file("published.json", log)));
    for (const { header: rig, entries: told } of DEMOS) {
      const log = { ...logOf([]), rigs: [{ header: rig, entries: told }] };
      expectPublished(answer("advise", file("demo.json", log)));
    }
  });
  const nextOf = (log: object): Record<string, unknown> =>
    answer("advise", file("next.json", log))["next"] as unknown as Record<string, unknown>;
  const first = entries[0] as { build: object };
  const measured = {
    ...first,
    build: { ...ENDURO_BUILD, baseline: { ...ENDURO_BUILD.baseline, proven: "measured" } },
  };

  it("names every change of a plan with its part, both values and its zone", () => {
    const next = nextOf(logOf([]));
    expect(next["kind"]).toBe("fit");
    for (const change of next["changes"] as Record<string, unknown>[])
      expect(Object.keys(change)).toEqual(["part", "from", "to", "zone"]);
    expect(next["chanceBetter"]).toBeGreaterThan(0.5);
  });

  it("takes a ride report, and a ride is named by how, zone, minutes and gain", () => {
    const report = {
      id: "look:ride-1",
      at: "2026-05-22T09:30:00+02:00",
      kind: "look",
      reading: { type: "rideReport", felt: { idle: "clean", top: "rich" } },
    };
    expect(nextOf(logOf([report], [measured]))).toMatchObject({ kind: "leave" });
    const onlyPlugs = {
      id: "school:0001",
      at: "2026-05-22T09:20:00+02:00",
      kind: "school",
      school: { what: "lookWith", is: ["plug"] },
    };
    const look = nextOf(logOf([onlyPlugs], [first]));
    expect(look).toMatchObject({ kind: "ride" });
    expect(Object.keys(look).sort()).toEqual(["gain", "how", "kind", "minutes", "zone"]);
  });

  it("says each carburettor's own advice in groups where they differ", () => {
    const two = {
      ...measured,
      build: { ...measured.build, engine: { ...ENDURO_BUILD.engine, cylinders: 2 }, carburettors: 2 },
    };
    const own = {
      id: "fit:own-1",
      at: "2026-05-22T09:30:00+02:00",
      kind: "fit",
      changes: [{ part: "main", to: 150, carburettor: 2 }],
      because: "own",
    };
    const { groups } = answer("advise", file("two.json", logOf([own], [two]))) as unknown as {
      groups: { carburettors: number[]; next: { changes: { carburettor?: number }[] } }[];
    };
    expectPublished(answer("advise", file("two.json", logOf([own], [two]))));
    expect(groups.map(({ carburettors }) => carburettors)).toEqual([[1], [2]]);
    expect(groups[1]?.next.changes[0]?.carburettor).toBe(2);
  });

  it("refuses a log that its rig cannot have, and a time that is none", () => {
    const clip = {
      id: "fit:bad-1",
      at: "2026-05-22T09:30:00+02:00",
      kind: "fit",
      changes: [{ part: "clip", to: 9 }],
      because: "own",
    };
    const bad = run(["advise", file("bad.json", logOf([clip], [measured]))]);
    expect(bad.exitCode).toBe(2);
    expect(bad.stderr).toContain("rigs[0].entries[1]: clip must be in 1..5, got 9");
    expect(run(["advise", file("now.json", logOf([], [measured])), "--now", "noon"]).stderr).toContain(
      "--now must be",
    );
  });
});
