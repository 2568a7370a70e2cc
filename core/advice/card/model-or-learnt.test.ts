import { air, build, fit, plug } from "../../__tests__/entries.ts";
import { ENDURO_BUILD } from "../../../demo/enduro-build.ts";
import type { Entry } from "../../log/schema.ts";
import { advise } from "./advise.ts";
import { openCase } from "../judge/case.ts";
import { modelOrLearnt } from "./model-or-learnt.ts";

const start: Entry[] = [build(), air("0001", "08:30", { temperatureK: 303.15, pressurePa: 84_556 })];
const rich: Entry[] = [
  ...start,
  fit("0001", "08:40", 155),
  plug("0001", "09:00", "top", "soot"),
  plug("0002", "09:20", "top", "soot"),
  plug("0003", "09:40", "top", "umber"),
];
const main = (entries: Entry[]) => modelOrLearnt(openCase(entries)).parts.find(({ part }) => part === "main");

it("before anything was seen all of it is physics", () => {
  const { zones, parts } = modelOrLearnt(openCase(start));
  for (const { learnt } of zones) expect(Math.abs(learnt)).toBeLessThan(1e-9);
  for (const { physics, engine } of parts) expect(engine).toBe(physics);
  // The mountain of the worked example: 11 % richer at the top as it stands.
  expect(100 * (zones.find(({ zone }) => zone === "top")?.physics ?? NaN)).toBeLessThan(-9);
  expect(main(start)?.physics).toBeLessThan(ENDURO_BUILD.baseline.setting.main);
});

it("what sooty plugs teach is this engine's, and moves the main jet beyond what the air asks", () => {
  const taught = modelOrLearnt(openCase(rich));
  const top = taught.zones.find(({ zone }) => zone === "top");
  expect(top?.learnt).toBeLessThan(-0.03);
  expect(main(rich)?.physics).toBe(main(start)?.physics);
  expect(main(rich)?.engine).toBeLessThan(main(rich)?.physics ?? NaN);
});

it("both shares together are what is believed of the zone", () => {
  const believed = advise(rich).zones;
  modelOrLearnt(openCase(rich)).zones.forEach(({ physics, learnt }, i) => {
    expect(physics + learnt).toBeCloseTo(believed[i]?.mean ?? NaN, 9);
  });
});

it("washers are named only where somebody would fit one", () => {
  expect(modelOrLearnt(openCase(start)).parts.map(({ part }) => part)).toEqual(
    expect.arrayContaining(["pilot", "screwTurns", "clip", "main"]),
  );
  const none = build("08:00", { box: { ...ENDURO_BUILD.box, shimsMm: [] } });
  expect(modelOrLearnt(openCase([none])).parts.map(({ part }) => part)).not.toContain("shimMm");
});
