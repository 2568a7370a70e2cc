/** Idle bench, idle speed, balance, cylinders, and change per carburettor: what they log, and what they refuse. */
import { air, at } from "../../../core/__tests__/entries.ts";
import type { Entry } from "#core/log/schema.ts";
import { TWIN } from "#demo/other-rigs.ts";
import { humidAirFromLog } from "#core/rig/from-build.ts";
import { idleShare } from "#core/simulator/idle-share.ts";
import { simulatedEngine } from "#app/devices/simulated-engine.ts";
import { FRESH_IDLE, IdleDraft } from "./form.ts";
import { keepDraft, readDraft } from "#app/store/drafts.ts";
import { RIG, answerOf, freshRig, present, refused, sent } from "#app/testing/rig.ts";
import { clientAction as change } from "#app/features/change/route.tsx";
import { clientAction as idle, clientLoader as openIdle } from "./route.tsx";

const twin: Entry = {
  id: "build:twin",
  at: at("08:00"),
  kind: "build",
  build: { ...TWIN.build, carburettor: { ...TWIN.build.carburettor, pumpBaseTurns: 1.5 } },
  reopens: [],
  why: "",
};

beforeEach(() => freshRig([twin, air("twin", "08:30")]));

const airOfTest = humidAirFromLog(air("twin", "08:30") as Extract<Entry, { kind: "air" }>);

/** Readings of an engine that is this far off at its base, walked in quarter turns. */
const walked = (error: number, from = 0.25, to = 5) => {
  const engine = simulatedEngine(RIG, TWIN.build, TWIN.build.baseline.setting, airOfTest, {
    mean: error,
    sd: 0,
  });
  return Array.from({ length: Math.round((to - from) * 4) + 1 }, (_, i) => from + i / 4)
    .map((turns) => ({ turns, rpm: Math.round(engine.crestRpm * idleShare(engine.errorAt(turns))) }))
    .filter(({ rpm }) => rpm > 0);
};

describe("the idle bench", () => {
  const log = (points: unknown, changes: readonly object[], simulated = false, carburettor = 0) =>
    idle(sent({ intent: "log", points, changes, simulated, carburettor }));
  const screw = [{ part: "screwTurns", to: 1.75 }];
  const jet = [
    { part: "pilot", to: 40 },
    { part: "screwTurns", to: 2.25 },
  ];

  it("logs its readings, and where the screw was set, in one write", async () => {
    const { data } = answerOf(await log(walked(-0.1, 0.25, 6), screw, true));
    expect(data).toMatchObject({ next: { phase: "blip", points: [], round: 1 } });
    const { looks, setting } = await present();
    expect(looks.at(-1)?.entry).toMatchObject({ simulated: true, reading: { type: "bestIdle" } });
    expect(setting?.screwTurns).toBeLessThan(2.25);
    expect(setting?.pilot).toBe(38);
    expect(await readDraft(IdleDraft, RIG, "idle")).toMatchObject({ phase: "blip" });
  });

  it("says that the idle is still raised, and speaks of one carburettor once they differ", async () => {
    const texts = { pilot: "40", screwTurns: "2 1/4", clip: "3", main: "120", shimMm: "0", carburettor: "2" };
    await change(sent(texts));
    await keepDraft(RIG, "idle", { ...FRESH_IDLE, phase: "walk", raised: true });
    const { data } = answerOf(await log(walked(-0.1, 0.25, 6), screw, false, 1));
    expect(data).toMatchObject({ next: { raised: true } });
    const { looks, settings } = await present();
    expect(looks.at(-1)?.entry).toMatchObject({ cylinder: 2, reading: { type: "bestIdle" } });
    expect(settings[0]).toMatchObject({ pilot: 38, screwTurns: 2.25 });
    expect(settings[1]).not.toMatchObject({ pilot: 40, screwTurns: 2.25 });
  });

  it("fits the next jet of the box with the screw at its base, and begins the walk again", async () => {
    const { data } = answerOf(await log(walked(0.2, 0.5, 10), jet));
    expect(data).toMatchObject({ next: { phase: "walk", round: 2 } });
    expect((await present()).setting).toMatchObject({ pilot: 40, screwTurns: 2.25 });
  });

  it("only logs where nothing was followed, and forgets the half walk", async () => {
    expect(answerOf(await log(walked(-0.1, 0.25, 6), [])).location).toBe(`/rigs/${RIG}`);
    expect((await present()).setting?.screwTurns).toBe(2.25);
    expect(await openIdle({ params: { rigId: RIG } } as never)).toEqual({ draft: FRESH_IDLE });
  });

  it("logs what a blip showed in the zone where it is felt", async () => {
    await idle(sent({ intent: "symptom", symptom: "bogs", simulated: false }));
    expect((await present()).looks.at(-1)?.entry.reading).toEqual({
      type: "symptom",
      zone: "low",
      symptom: "bogs",
    });
  });

  it("refuses readings that show no crest, and what it cannot read", async () => {
    expect(await refused(() => log(walked(0).slice(0, 4), []))).toContain("Five readings at least");
    expect(await refused(() => log(walked(0), [{ part: "screwTurns", to: 12 }]))).toContain("cannot be read");
    expect(await refused(() => log([{ turns: 1, rpm: -5 }], screw))).toContain("cannot be read");
    expect(await refused(() => idle(sent({ intent: "symptom", symptom: "sings" })))).toContain(
      "cannot be read",
    );
  });
});
