import { air, at, build, plug } from "../../../core/__tests__/entries.ts";
import { openCase } from "#core/advice/judge/case.ts";
import type { Entry } from "#core/log/schema.ts";
import { routeAnswer } from "#core/route/route-answer.ts";
import { RIG, answerOf, freshRig, logged, refusal, sent } from "#app/testing/rig.ts";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { routeOption } from "./chart.ts";
import { clientAction } from "./route.tsx";
import {
  compromiseWords,
  farWords,
  heightWords,
  minutesWords,
  stopsWords,
  timePerHeight,
  zonesAt,
} from "./words.ts";

const units = Preferences.parse({});
const points = (toM: number) =>
  Array.from({ length: 80 }, (_, i) => ({
    alongM: 250 * i,
    elevationM: 380 + (toM * i) / 79,
    seconds: 25 * i,
  }));
const WAY = { name: "Col de la Brume", startAt: at("09:00"), points: points(1530), simulated: true };

describe("a way that is kept", () => {
  beforeEach(() => freshRig([build(), air("0001", "08:30")]));

  it("stands in the log with its lengths, heights and times", async () => {
    expect(answerOf(await clientAction(sent(WAY)))).toEqual({ status: 302, location: `/rigs/${RIG}/route` });
    expect((await logged()).at(-1)).toMatchObject({
      kind: "route",
      name: "Col de la Brume",
      simulated: true,
    });
  });

  it.each([
    ["no points", { points: [] }],
    ["points that run backwards", { points: [...points(10)].reverse() }],
    ["no name", { name: " " }],
    ["no start", { startAt: "soon" }],
  ])("is refused with %s", async (_, change) => {
    const { message } = await refusal(async () => clientAction(sent({ ...WAY, ...change })));
    expect(message).toContain("This way cannot be read.");
  });
});

const route = (toM: number): Entry => ({
  id: "route:0001",
  at: at("08:45"),
  kind: "route",
  name: "Col de la Brume",
  startAt: at("09:00"),
  points: points(toM),
});
const seen = [
  build(),
  air("0001", "08:30"),
  plug("0001", "08:40", "top", "biscuit"),
  plug("0002", "08:41", "mid", "biscuit"),
];
const answerFor = (toM: number) => routeAnswer(openCase([...seen, route(toM)]), "route:0001");

describe("a way over heights", () => {
  it("says what to fit for all of it, and that a long climb wants a stop", () => {
    const { plan } = answerFor(4000);
    expect(compromiseWords(plan)).toMatch(/lean limit/);
    expect(stopsWords(plan)).toMatch(/would save what an error of/);
    const flat = answerFor(5).plan;
    expect(stopsWords(flat)).toContain("One setting is enough.");
    expect(zonesAt(plan.heights[0])).toMatch(/^idle .*, middle .*, full throttle /);
  });

  it("counts the time at each height", () => {
    const bands = timePerHeight(answerFor(1530).plan.stretches);
    expect(bands).toHaveLength(4);
    const total = bands.reduce((sum, { seconds }) => sum + seconds, 0);
    expect(total).toBeCloseTo(79 * 25, -1);
    expect(bands[0]?.fromM).toBeCloseTo(380, 0);
    // A steady climb spends as long in each quarter.
    for (const { seconds } of bands) expect(seconds / total).toBeCloseTo(0.25, 1);
  });

  it("is drawn along its length, with the air below its height", () => {
    const option = routeOption(answerFor(1530), 1.1, units) as {
      series: { data: [number, number][] }[];
      aria: { label: { description: string } };
    };
    expect(option.aria.label.description).toMatch(
      /^Height from 380 to 1910 m over 19.75 km\. Air from \d+ to \d+ /,
    );
    const [height, airs] = option.series.map(({ data }) => data);
    expect(height?.at(-1)).toEqual([19.75, 1910]);
    expect(airs?.[0]?.[1]).toBeGreaterThan(airs?.at(-1)?.[1] ?? Infinity);
  });

  it("is asked for by its name alone", () => {
    expect(() => routeAnswer(openCase(seen), "route:none")).toThrow(
      "route must be one of the log's, got route:none",
    );
  });

  it("speaks in the tuner's units", () => {
    const miles = Preferences.parse({ speed: "mph", length: "ft" });
    expect([farWords(16_093, miles), heightWords(1000, miles)]).toEqual(["10.0 mi", "3281 ft"]);
    expect([minutesWords(600), minutesWords(7260)]).toEqual(["10 min", "2 h 01"]);
  });
});
