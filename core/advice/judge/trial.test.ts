import { air, build, fit, lookWith, plug } from "../../__tests__/entries.ts";
import { ENDURO_BUILD } from "../../../demo/enduro-build.ts";
import type { Entry } from "../../log/schema.ts";
import { advise } from "../card/advise.ts";
import { openCase } from "./case.ts";
import { trialOf } from "./trial.ts";

const log: Entry[] = [
  build(),
  air("0001", "08:30"),
  fit("0001", "08:40", 165),
  plug("0001", "09:00", "top", "umber"),
  plug("0002", "09:20", "top", "cocoa"),
  plug("0003", "09:40", "mid", "biscuit"),
];

describe("a setting tried on paper", () => {
  const open = openCase(log);
  const { fitted } = trialOf(open, { setting: ENDURO_BUILD.baseline.setting });

  it("is drawn and judged as if it were fitted", () => {
    const trial = trialOf(open, { setting: { ...fitted, main: 155 } });
    const after = advise([...log, fit("0009", "10:00", 155)]);
    expect(trial.zones.map(({ zone, mean }) => [zone, mean])).toEqual(
      after.zones.map(({ zone, mean }) => [zone, expect.closeTo(mean, 9) as number]),
    );
    expect(trial.strip.map(({ mean }) => mean)).toEqual(
      after.strip.map(({ mean }) => expect.closeTo(mean, 9) as number),
    );
    expect(trial.moves.top).toBeGreaterThan(0.05);
    expect(trial.chanceBetter).toBeGreaterThan(0.5);
  });

  it("is no better than itself, and is refused where the machine cannot have it", () => {
    expect(trialOf(open, { setting: fitted })).toMatchObject({
      chanceBetter: 0,
      moves: { idle: 0, low: 0, mid: 0, top: 0 },
    });
    expect(() => trialOf(open, { setting: { ...fitted, clip: 9 } })).toThrow(RangeError);
  });

  it("says when it is too lean to be safe", () => {
    const lambda = lookWith("0005", "09:50", { type: "lambda", zone: "top", lambda: 0.9, sensor: "inside" });
    const lean = openCase([...log, lambda]);
    expect(trialOf(lean, { setting: { ...fitted, main: 130 } }).safe).toBe(false);
  });

  it("moves with another part as the worked example says: 0.01 mm thicker, low 4.7 % leaner", () => {
    const bare = openCase([build()]);
    const { setting } = ENDURO_BUILD.baseline;
    const thicker = (thickerMm: number) => trialOf(bare, { setting, thickerMm }).moves;
    expect(100 * thicker(0.01).low).toBeCloseTo(4.7, 1);
    expect(100 * thicker(0.02).low).toBeCloseTo(9.6, 1);
    expect(trialOf(bare, { setting, needleJetMm: 2.7 }).moves.mid).toBeLessThan(-0.03);
    expect(trialOf(bare, { setting, cutawayMm: 4.5 }).moves.low).not.toBe(0);
  });

  it("moves with the air and the fuel, and says what power the air leaves", () => {
    const bare = openCase([build()]);
    const { setting, air: day } = ENDURO_BUILD.baseline;
    const mountain = trialOf(bare, { setting, air: { ...day, pressurePa: 80_000 } });
    expect(mountain.moves.top).toBeLessThan(-0.08);
    expect(mountain.powerLeft).toBeLessThan(trialOf(bare, { setting }).powerLeft - 0.15);
    expect(
      trialOf(bare, { setting, fuel: { name: "petrol", ethanolPercent: 85 } }).moves.top,
    ).toBeGreaterThan(0.3);
  });

  it.each<[string, object]>([
    ["a needle thicker than its jet", { needleJetMm: 2.4 }],
    ["no air", { air: { temperatureK: 288, pressurePa: 0, relativeHumidity: 0.5 } }],
  ])("refuses %s", (_, asked) => {
    expect(() => trialOf(open, { setting: fitted, ...asked })).toThrow(RangeError);
  });
});
