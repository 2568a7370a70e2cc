import type { Entry } from "../log/schema.ts";
import { CHECKS } from "../log/walk-round-names.ts";
import { airOfState } from "../simulator/real-engine.ts";
import { debriefOf } from "./debrief.ts";
import { timelineOf, type Done } from "./timeline.ts";
import { Game, replay, type Action } from "./game.ts";
import { gameText, readGame } from "./link.ts";
import { HOLDS, LEVELS, type Level } from "./levels.ts";
import { drawScenario, startOf } from "./scenario.ts";
import { playedBy, savedShare, scoreOf } from "./score.ts";
import { bestLoss, startLoss } from "./true-loss.ts";

const SEEDS = Array.from({ length: 8 }, (_, i) => i + 1);
const startErrors = (level: Level, seed: number) => {
  const scenario = drawScenario({ level, seed });
  return scenario.engine.errors(startOf(scenario), airOfState(scenario.air));
};

describe("the ladder", () => {
  it.each(LEVELS)("%s is the same for the same seed, wrong at the start, and can be put right", (level) => {
    for (const seed of SEEDS.slice(0, 4)) {
      const one = drawScenario({ level, seed });
      expect(JSON.stringify(drawScenario({ level, seed }))).toBe(JSON.stringify(one));
      // What is wrong at the start can be put right: by jets, or by mending what no jet cures.
      const healthy = { ...one, engine: one.healthy };
      expect(level === "fault" ? startLoss(healthy) : bestLoss(healthy)).toBeLessThanOrEqual(0.4);
      if (level !== "fault") expect(startLoss(one)).toBeGreaterThanOrEqual(2);
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
    expect(lean.length).toBeGreaterThan(2);
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
    for (const level of LEVELS.filter((one) => one !== "fault"))
      expect(
        savedShare(drawScenario({ level, seed: 9 }), { errors: startErrors(level, 9), hurt: false }),
      ).toBeLessThan(10);
    const saved = [1, 2, 3, 4].map((seed) => {
      const drawn = drawScenario({ level: "mountain", seed });
      return savedShare(drawn, playedBy(drawn, "tamis"));
    });
    expect(saved.reduce((sum, one) => sum + one, 0) / 4).toBeGreaterThan(70);
  });
});

describe("what no jet cures", () => {
  const drawn = SEEDS.map((seed) => drawScenario({ level: "fault", seed }));
  const withOne = drawn.filter((one) => one.withFault?.().fault !== undefined);
  const find = (game: Game) => {
    const shown = CHECKS.map((check) => game.act({ do: "inspect", check }));
    return shown.flatMap((one) => (one.kind === "inspected" && one.found ? [one.found] : []));
  };
  it("shows in its own check alone, and is gone once it is mended", () => {
    expect(withOne.length).toBeGreaterThan(4);
    expect(withOne.length).toBeLessThan(SEEDS.length);
    for (const scenario of withOne) {
      const game = new Game(scenario);
      expect(game.act({ do: "mend" })).toEqual({ kind: "refused", why: "nothingFound" });
      expect(find(game)).toEqual([scenario.withFault?.().fault]);
      expect(game.act({ do: "mend" })).toMatchObject({ kind: "mended" });
      expect([game.fault, savedShare(scenario, { errors: game.errors, hurt: false })]).toEqual([
        undefined,
        100,
      ]);
    }
  });
  it("is not found where there is none", () => {
    const healthy = drawn.find((one) => one.withFault?.().fault === undefined);
    expect(find(new Game(healthy!))).toEqual([]);
  });
  it("left in, it is worth half at the most", () => {
    for (const scenario of withOne)
      expect(
        savedShare(scenario, { errors: { idle: 0, low: 0, mid: 0, top: 0 }, hurt: false, faultLeft: true }),
      ).toBeLessThanOrEqual(50);
  });
});

describe("levels with ways of their own", () => {
  it("a kart goes whole laps only", () => {
    const game = new Game(drawScenario({ level: "kart", seed: 1 }));
    expect(game.act({ do: "ride", hold: "mid", cut: "clean" })).toEqual({
      kind: "refused",
      why: "noRideHere",
    });
    expect(game.act({ do: "ride", hold: "lap", cut: "clean" })).toMatchObject({ kind: "ride" });
  });
  it("a methanol head is cooler when it is richer, at the start line and over the run", () => {
    const heads = SEEDS.map((seed) => {
      const game = new Game(drawScenario({ level: "heads", seed }));
      const ride = game.act({ do: "ride", hold: "top", cut: "clean" });
      return { errors: game.errors, shown: ride.kind === "ride" ? ride.heads : [] };
    });
    const rise = heads.map(({ shown }) => shown.find(({ zone }) => zone === "top"));
    expect(rise.every((one) => one?.risenFromK === 338)).toBe(true);
    const rises = rise.map((one) => (one ? one.temperatureK - 338 : NaN));
    const mean = rises.reduce((sum, x) => sum + x, 0) / rises.length;
    // All begin rich at the top: below the target of 38 to 46.
    expect(mean).toBeLessThan(38);
  });
  it("carburettors out of step differ at idle until they are balanced, and hardly at the top", () => {
    const game = new Game(drawScenario({ level: "twin", seed: 2 }));
    const apart = () => {
      const [one, two] = [game.errorsOf(1), game.errorsOf(2)];
      return { idle: Math.abs(one.idle - two.idle), top: Math.abs(one.top - two.top) };
    };
    const before = apart();
    expect(game.act({ do: "balance", spreadPa: 9000 })).toEqual({ kind: "balanced" });
    expect(apart()).toEqual(before);
    game.act({ do: "balance", spreadPa: 800 });
    expect(apart().idle).toBeLessThan(before.idle);
    expect(apart().top).toBeCloseTo(before.top, 6);
    game.act({ do: "change", changes: [{ part: "main", to: game.setting.main - 5 }], carburettor: 2 });
    expect([game.settings[0]?.main, game.settings[1]?.main]).toEqual([
      game.setting.main,
      game.setting.main - 5,
    ]);
  });
});

describe("a log as a game", () => {
  const scenario = drawScenario({ level: "topRich", seed: 3 });
  const { build } = scenario;
  const [main] = [build.baseline.setting.main];
  const entry = (kind: string, n: number, content: object) =>
    ({ id: `${kind}:practice-${n}`, at: `2026-05-23T08:0${n}:00Z`, kind, ...content }) as Entry;
  const begun = entry("build", 0, { build, reopens: [], why: "" });
  const plug = entry("look", 1, {
    reading: { type: "plug", zone: "top", tone: "white", cut: "clean", colderSteps: 0 },
  });
  const fit = entry("fit", 2, { changes: [{ part: "main", to: main - 5 }], because: "own" });
  const strike = entry("strike", 3, { strikes: fit.id, why: "by mistake" });
  const ride: Done = { after: 1, action: { do: "ride", hold: "top", cut: "clean" } };

  it("takes what was done in its order; a fit struck through is undone with the same spanner", () => {
    const steps = timelineOf([build.baseline.setting], [begun, plug, fit, strike], [ride]);
    expect(steps.map(({ action }) => action)).toEqual([
      ride.action,
      { do: "change", changes: [{ part: "main", to: main - 5 }] },
      { do: "change", changes: [{ part: "main", to: main }] },
    ]);
    const game = replay(
      scenario,
      steps.map(({ action }) => action),
    );
    expect([game.setting.main, game.minutes]).toEqual([main, 8 + 8 + 8]);
  });
  it("is debriefed stop by stop: what was read wrong, and what a change did", () => {
    const { stops, start, end, rides } = debriefOf(scenario, [begun, plug, fit], [ride]);
    expect([rides, stops.length, stops[0]?.looks, stops[0]?.rides]).toEqual([1, 1, 1, 1]);
    // A rich top was called white: far too lean.
    expect(stops[0]?.off).toEqual([{ type: "plug", zone: "top", by: expect.any(Number) as number }]);
    expect(stops[0]?.off[0]?.by).toBeGreaterThanOrEqual(2);
    expect(stops[0]?.saved).toBeGreaterThan(0);
    expect(end.top).toBeGreaterThan(start.top);
  });
});

describe("a link", () => {
  it("makes the same game again", () => {
    expect(readGame(gameText({ level: "middle", seed: 4711 }))).toEqual({
      ok: true,
      asked: { level: "middle", seed: 4711 },
    });
    const chosen = { level: "free", seed: 12, kind: "kart" } as const;
    expect(readGame(gameText(chosen))).toEqual({ ok: true, asked: chosen });
  });
  it.each([
    ["", "notOne"],
    ["2.middle", "notOne"],
    ["2.middle.-4", "notOne"],
    ["2.middle.4.5", "notOne"],
    ["1.middle.4", "otherVersion"],
    ["2.nowhere.4", "noLevel"],
    ["2.middle.1000000", "noSeed"],
    ["2.middle-kart.4", "noLevel"],
    ["2.free-tank.4", "noLevel"],
  ])("%s is refused: %s", (text, why) => {
    expect(readGame(text)).toEqual({ ok: false, why });
  });
});
