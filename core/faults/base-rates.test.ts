import { build, lookWith } from "../__tests__/entries.ts";
import { TARGET_LAMBDA } from "../carburettor/zones.ts";
import type { Entry } from "../log/schema.ts";
import { openCase } from "../advice/judge/case.ts";
import { YES_WHEN_JETTING } from "./questions.ts";
import { baseRatesOfYes } from "./base-rates.ts";

/** λ read twice in each zone, so far off. */
const usually = (off: Readonly<Partial<Record<"idle" | "mid" | "top", number>>>) => {
  const looks = (["idle", "mid", "top"] as const).flatMap((zone, z): Entry[] =>
    [0, 1].map((n) =>
      lookWith(`${zone}${n}00`, `09:${z}${n}`, {
        type: "lambda",
        zone,
        lambda: TARGET_LAMBDA.twoStroke[zone] * (1 + (off[zone] ?? 0)),
        sensor: "inside",
      }),
    ),
  );
  const { present, replayed } = openCase([build(), ...looks]);
  return baseRatesOfYes(present, replayed);
};

describe("what is answered on an engine that is only badly jetted", () => {
  it("is 'the same everywhere' where all of it is off to one side, and seldom where it is not", () => {
    const [rich, lean] = [
      usually({ idle: -0.15, mid: -0.15, top: -0.15 }),
      usually({ idle: 0.12, mid: 0.12, top: 0.12 }),
    ];
    expect(rich.everywhereAlike).toBeGreaterThan(0.6);
    expect(lean.everywhereAlike).toBeGreaterThan(0.6);
    for (const other of [usually({}), usually({ idle: -0.15, mid: 0.1, top: 0.1 }), usually({ top: -0.15 })])
      expect(other.everywhereAlike).toBeLessThan(0.25);
  });

  it("is 'the screw matters' while the idle is best somewhere on its travel, and often not where it is not", () => {
    expect(usually({ idle: 0.01 }).screwMatters).toBeGreaterThan(0.88);
    expect(usually({ idle: -0.4 }).screwMatters).toBeLessThan(0.65);
    expect(usually({ idle: 0.5 }).screwMatters).toBeLessThan(0.65);
  });

  it("is what it always is for every other question", () => {
    expect(usually({ top: 0.1 })).toEqual({
      ...YES_WHEN_JETTING,
      everywhereAlike: expect.any(Number) as number,
      screwMatters: expect.any(Number) as number,
    });
  });
});
