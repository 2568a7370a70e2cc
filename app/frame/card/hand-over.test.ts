import type { Advice } from "#core/advice/card/advise.ts";
import type { CardRow } from "#core/advice/card/card-rows.ts";
import type { RigContext } from "../use-rig.ts";
import { handOverText } from "./hand-over.ts";

const row = (part: CardRow["part"], to: number): CardRow => ({
  part,
  from: to,
  to,
  zone: "top",
  chance: 0.9,
  stepEffect: 0,
  asComputed: 0,
});
const rows = [row("pilot", 45), row("screwTurns", 1.75), row("clip", 2), row("main", 155)];
const setting = { pilot: 45, screwTurns: 1.75, clip: 2, main: 155, shimMm: 0 };
const context = (plate: string, air?: object) =>
  ({ header: { id: "rig:one", name: "250 enduro", plate }, present: { air } }) as unknown as RigContext;
const card = { setting, rows, safe: true };
const next = { kind: "leave", because: "content", chance: 0.9 } as unknown as Advice["next"];
const alone = { carburettors: [0], groups: 1, next };

describe("the card handed over", () => {
  it("is one line: plate, place, time, what to fit", () => {
    const air = { place: "pit lane", at: "2026-05-23T13:40:00+02:00" };
    expect(handOverText(context("27", air), { card, ...alone })).toBe(
      "27, pit lane, 13:40: main 155, screw 1 ¾, clip 2nd, pilot 45.",
    );
  });
  it("does without plate and air, names the carburettor, and says what is not safe", () => {
    expect(
      handOverText(context(""), { card: { ...card, safe: false }, carburettors: [0, 1], groups: 2, next }),
    ).toBe(
      "250 enduro, carburettor 1 and 2: main 155, screw 1 ¾, clip 2nd, pilot 45. Not safe at full throttle: do not run it flat out.",
    );
  });
  it("says to stop where riding is stopped", () => {
    const stopped = { kind: "stop", because: "pinged", leanRisk: 0.2 } as unknown as Advice["next"];
    expect(handOverText(context("27"), { card, ...alone, next: stopped })).toMatch(/pilot 45\. Stop riding:/);
  });
});
