import { airOfState } from "../simulator/real-engine.ts";
import { Game, HOLDS, replay, type Action } from "./game.ts";
import { gameText, readGame } from "./link.ts";
import { drawScenario, LEVELS, startOf, type Level } from "./scenario.ts";
import { playedBy, savedShare, scoreOf } from "./score.ts";
import { bestLoss, startLoss } from "./true-loss.ts";

const SEEDS = Array.from({ length: 12 }, (_, i) => i + 1);
const startErrors = (level: Level, seed: number) => {
  const scenario = drawScenario({ level, seed });
  return scenario.engine.errors(startOf(scenario), airOfState(scenario.air));
};

describe("the ladder", () => {
  it.each(LEVELS)("%s is the same for the same seed, wrong at the start, and can be put right", (level) => {
    for (const seed of SEEDS.slice(0, 4)) {
      const one = drawScenario({ level, seed });
      expect(JSON.stringify(drawScenario({ level, seed }))).toBe(JSON.stringify(one));
      expect(startLoss(one)).toBeGreaterThanOrEqual(1);
      expect(bestLoss(one)).toBeLessThanOrEqual(0.4);
    }
  });
  it("has the lesson it is called by", () => {
    for (const seed of SEEDS) {
      const topRich = startErrors("topRich", seed);
      expect(topRich.top).toBeLessThan(-0.04);
      expect(Math.abs(topRich.idle)).toBeLessThan(0.08);
      expect(startErrors("unsafeTop", seed).top).toBeGreaterThan(0.04);
      expect(Math.abs(startErrors("idle", seed).idle)).toBeGreaterThan(0.04);
      // The groove makes the middle lean while the main hides it higher up.
      const hidden = startErrors("twoHide", seed);
      expect(hidden.mid).toBeGreaterThan(hidden.top);
      expect(Math.abs(startErrors("middle", seed).mid)).toBeGreaterThan(0.03);
    }
  });
  it("refuses a seed that is none", () => {
    for (const seed of [-1, 0.5, NaN, 1e6])
      expect(() => drawScenario({ level: "topRich", seed })).toThrow(RangeError);
  });
});

describe("a game", () => {
  const RIDE: Action = { do: "ride", hold: "mid", cut: "clean" };
  it("shows a ride in words of feel, a plug of what was held, and takes its minutes", () => {
    const game = new Game(drawScenario({ level: "topRich", seed: 3 }));
    const ride = game.act({ do: "ride", hold: "top", cut: "clean" });
    expect(ride).toMatchObject({ kind: "ride", hurt: false });
    expect(ride.kind === "ride" && ride.felt.map(({ zone }) => zone)).toEqual(["idle", "low", "mid", "top"]);
    expect(ride.kind === "ride" && ride.felt.at(-1)?.feel).toBe("breaksUp");
    const plug = game.act({ do: "plug" });
    expect(plug.kind === "plug" && plug.scene.shows.root).toBeCloseTo(game.errors.top);
    expect(game.minutes).toBe(11);
  });
  it("a rolled cut paints the idle over the plug; a crown and a header follow the same ride", () => {
    const game = new Game(drawScenario({ level: "idle", seed: 2 }));
    game.act({ do: "ride", hold: "mid", cut: "rolled" });
    const plug = game.act({ do: "plug" });
    expect(plug.kind === "plug" && plug.scene.painted).toBeCloseTo(game.errors.idle);
    expect(game.act({ do: "crown" })).toMatchObject({ kind: "crown" });
    expect(game.act({ do: "header" })).toMatchObject({ kind: "header" });
    expect(game.minutes).toBe(8 + 3 + 2 + 2);
  });
  it("what is out of the engine shows the setting that was ridden, not the one that was fitted since", () => {
    const game = new Game(drawScenario({ level: "topRich", seed: 3 }));
    game.act({ do: "ride", hold: "top", cut: "clean" });
    const ridden = game.errors.top;
    game.act({ do: "change", changes: [{ part: "main", to: game.setting.main - 5 }] });
    expect(game.errors.top).not.toBeCloseTo(ridden, 3);
    const plug = game.act({ do: "plug" });
    expect(plug.kind === "plug" && plug.scene.shows.root).toBeCloseTo(ridden);
  });
  it("hurts the engine past the lean limit at full throttle, and ends there", () => {
    const lean = SEEDS.map((seed) => new Game(drawScenario({ level: "unsafeTop", seed }))).filter(
      ({ errors }) => errors.top > 0.06,
    );
    expect(lean.length).toBeGreaterThan(6);
    for (const game of lean) {
      expect(game.act({ do: "ride", hold: "lap", cut: "clean" })).toMatchObject({ hurt: true });
      expect(game.act(RIDE)).toEqual({ kind: "refused", why: "over" });
      expect(scoreOf(game.scenario, { errors: game.errors, minutes: 0, hurt: true, shown: 0 }, 10)).toBe(0);
    }
    const [game] = lean;
    const careful = new Game(game!.scenario);
    expect(careful.act({ do: "ride", hold: "mid", cut: "clean" })).toMatchObject({ hurt: false });
  });
  it("refuses what cannot be now, takes no time for it, and keeps it out of the game", () => {
    const game = new Game(drawScenario({ level: "topRich", seed: 1 }));
    const { setting } = game;
    expect(game.act({ do: "plug" })).toEqual({ kind: "refused", why: "noRideYet" });
    expect(game.act({ do: "change", changes: [] })).toEqual({ kind: "refused", why: "nothingChanged" });
    expect(game.act({ do: "change", changes: [{ part: "clip", to: 99 }] })).toEqual({
      kind: "refused",
      why: "impossible",
    });
    const gate = new Game(drawScenario({ level: "mountain", seed: 1 }));
    expect(gate.act(RIDE)).toEqual({ kind: "refused", why: "noRideHere" });
    expect([game.minutes, game.actions.length, game.setting]).toEqual([0, 0, setting]);
    for (let i = 0; i < 30; i += 1) game.act(RIDE);
    expect(game.act(RIDE)).toEqual({ kind: "refused", why: "noMinutes" });
    expect(game.minutesLeft).toBeLessThan(8);
    expect(game.act({ do: "done" })).toEqual({ kind: "ended" });
  });
  it("is replayed from its actions alone", () => {
    const scenario = drawScenario({ level: "twoHide", seed: 5 });
    const game = new Game(scenario);
    const shown = HOLDS.slice(0, 3).map((hold) => game.act({ do: "ride", hold, cut: "clean" }));
    game.act({ do: "change", changes: [{ part: "clip", to: game.setting.clip + 1 }] });
    const again = new Game(drawScenario({ level: "twoHide", seed: 5 }));
    expect(HOLDS.slice(0, 3).map((hold) => again.act({ do: "ride", hold, cut: "clean" }))).toEqual(shown);
    const replayed = replay(scenario, game.actions);
    expect([replayed.setting, replayed.minutes]).toEqual([game.setting, game.minutes]);
  });
});

describe("a score", () => {
  const scenario = drawScenario({ level: "topRich", seed: 4 });
  const right = { idle: 0, low: 0, mid: 0, top: 0 };
  const start = startErrors("topRich", 4);
  const of = (errors: typeof right, minutes = 20, shown = 0) =>
    scoreOf(scenario, { errors, minutes, hurt: false, shown }, 20);
  it("is 100 for all that could be saved, 0 for nothing, less for minutes and looks at the card", () => {
    expect(of(right)).toBe(100);
    expect(of(start)).toBe(0);
    expect(of(right, 40)).toBe(90);
    expect(of(right, 20, 2)).toBe(70);
    expect(of(right, 10)).toBe(100);
    expect(savedShare(scenario, { errors: right, hurt: true })).toBe(0);
  });
  it("is nothing for who leaves it alone, and most of it for the card in mountain air", () => {
    for (const level of LEVELS)
      expect(
        savedShare(drawScenario({ level, seed: 9 }), { errors: startErrors(level, 9), hurt: false }),
      ).toBe(0);
    const saved = [1, 2, 3, 4].map((seed) => {
      const drawn = drawScenario({ level: "mountain", seed });
      return savedShare(drawn, playedBy(drawn, "tamis"));
    });
    expect(saved.reduce((sum, one) => sum + one, 0) / 4).toBeGreaterThan(70);
  });
});

describe("a link", () => {
  it("makes the same game again", () => {
    expect(readGame(gameText({ level: "middle", seed: 4711 }))).toEqual({
      ok: true,
      asked: { level: "middle", seed: 4711 },
    });
  });
  it.each([
    ["", "notOne"],
    ["1.middle", "notOne"],
    ["1.middle.-4", "notOne"],
    ["1.middle.4.5", "notOne"],
    ["2.middle.4", "otherVersion"],
    ["1.nowhere.4", "noLevel"],
    ["1.middle.1000000", "noSeed"],
  ])("%s is refused: %s", (text, why) => {
    expect(readGame(text)).toEqual({ ok: false, why });
  });
});
