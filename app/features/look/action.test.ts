import { air, build, fit } from "../../../core/__tests__/entries.ts";
import { fold } from "#core/log/fold.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { freshRig, logged, sent, refusal } from "#app/testing/rig.ts";
import { clientAction as change } from "#app/features/change/route.tsx";
import { NOTHING_TOLD } from "#app/frame/FeltRows.tsx";
import { typedLook } from "#app/testing/typed-look.ts";
import { NO_FIGURES, NOTHING_TYPED } from "./kinds.ts";
import { clientAction as logLook } from "./route.tsx";
import { clientAction as tap } from "#app/frame/route.tsx";
const PLUG = { ...NOTHING_TYPED.plug, tone: "cocoa" };
const LAMBDA = { figure: "0,86", scale: "lambda", sensor: "inside", along: NO_FIGURES };
const SETTING = { carburettor: "", pilot: "45", screwTurns: "1 1/2", clip: "3", main: "165", shimMm: "0" };

beforeEach(() => freshRig([build(), air("0001", "08:30"), fit("0001", "08:40", 160)]));
afterEach(() => jest.restoreAllMocks());

describe("logging a look", () => {
  it("saves a plug's tone, and a λ figure typed as λ or as AFR of this fuel", async () => {
    await logLook(sent(typedLook("plug", PLUG)));
    await logLook(sent(typedLook("lambda", LAMBDA)));
    await logLook(sent(typedLook("lambda", { ...LAMBDA, figure: "12.556", scale: "afr" })));
    const looks = (await logged()).filter(({ kind }) => kind === "look");
    expect(looks).toMatchObject([
      { reading: { type: "plug", tone: "cocoa", colderSteps: 0 } },
      { reading: { type: "lambda", lambda: 0.86 } },
      { reading: { type: "lambda", sensor: "inside" } },
    ]);
    const last = looks[2];
    expect(last?.kind === "look" && last.reading.type === "lambda" && last.reading.lambda).toBeCloseTo(
      0.86,
      4,
    );
  });

  it("saves with a plug how it pulled, as one ride; a plug alone names none", async () => {
    const felt = { ...NOTHING_TOLD, mid: "clean", top: "rich" };
    await logLook(sent(typedLook("plug", PLUG, { felt })));
    await logLook(sent(typedLook("plug", PLUG)));
    const looks = (await logged()).filter((entry) => entry.kind === "look");
    expect(looks).toMatchObject([
      { reading: { type: "plug" } },
      { reading: { type: "rideReport", felt: { mid: "clean", top: "rich" } } },
      { reading: { type: "plug" } },
    ]);
    expect(looks[0]?.ride).toMatch(/^ride:/);
    expect(looks[1]?.ride).toBe(looks[0]?.ride);
    expect(looks[2]).not.toHaveProperty("ride");
  });

  it("saves λ of all zones of one ride as that ride, and nothing where one of them is none", async () => {
    const { fields } = await refusal(() =>
      logLook(sent(typedLook("lambda", { ...LAMBDA, along: { ...NO_FIGURES, mid: "12,5" } }))),
    );
    expect(fields?.["lambda.along.mid"]).toContain("Did the meter show AFR?");
    expect((await logged()).filter(({ kind }) => kind === "look")).toHaveLength(0);
    const along = { ...NO_FIGURES, mid: "0,9", idle: " ", top: "2" };
    await logLook(sent(typedLook("lambda", { ...LAMBDA, along })));
    const looks = (await logged()).filter((entry) => entry.kind === "look");
    expect(looks).toMatchObject([
      { reading: { zone: "top", lambda: 0.86 } },
      { reading: { zone: "mid", lambda: 0.9, sensor: "inside" } },
    ]);
    expect(looks[0]?.ride).toMatch(/^ride:/);
    expect(looks[1]?.ride).toBe(looks[0]?.ride);
  });

  it("saves what it did, and what else is on a plug", async () => {
    const bogs = { symptom: "bogs", answer: "unasked" };
    await logLook(sent(typedLook("symptom", bogs, { zone: "low" })));
    await logLook(sent(typedLook("plug", { ...PLUG, findings: ["wet", "specks"] })));
    const looks = (await logged()).filter(({ kind }) => kind === "look");
    expect(looks).toMatchObject([
      { reading: { type: "symptom", zone: "low", symptom: "bogs" } },
      { reading: { type: "plug", findings: ["wet", "specks"] } },
    ]);
  });

  it("keeps what is no jetting as a note: it moves no jet", async () => {
    const before = fold(await logged()).looks.length;
    await logLook(
      sent(typedLook("symptom", { symptom: "popsOnOverrun", answer: "other" }, { zone: "idle" })),
    );
    expect((await logged()).at(-1)).toMatchObject({
      kind: "note",
      text: expect.stringMatching(/^Pops on the overrun\. .*Seal it/) as string,
    });
    expect(fold(await logged()).looks.length).toBe(before);
  });

  it("keeps the answer that came with a symptom, and refuses one that is none", async () => {
    const symptom = "hangsHigh";
    await logLook(sent(typedLook("symptom", { symptom, answer: "other" })));
    await logLook(sent(typedLook("symptom", { symptom, answer: "unasked" })));
    await refusal(() => logLook(sent(typedLook("symptom", { symptom, answer: "poem" }))));
    const kinds = (await logged()).slice(-3).map((entry) => entry.kind);
    expect(kinds).toEqual(["answer", "look", "look"]);
    expect(fold(await logged()).answers).toMatchObject([{ question: "screwMatters", is: "no" }]);
  });

  it("logs an answer and what came of a fault in one tap each, and refuses what is none", async () => {
    await tap(sent({ intent: "answer", question: "screwMatters", is: "no" }));
    await tap(sent({ intent: "fault", fault: "airLeak", is: "mended" }));
    const present = fold(await logged());
    expect(present.answers).toMatchObject([{ question: "screwMatters", is: "no" }]);
    expect(present.faultWords).toMatchObject([{ fault: "airLeak", is: "mended" }]);
    expect(present.reopenings).toEqual([["pilot", "zones"]]);
    await refusal(() => tap(sent({ intent: "answer", question: "screwMatters", is: "maybe" })));
    await refusal(() => tap(sent({ intent: "fault", fault: "curse", is: "mended" })));
    await refusal(() => tap(sent({ intent: "fault", fault: "cylinderSeal", is: "mended", cylinder: 7 })));
  });

  it("logs only what differs, however it was typed", async () => {
    await change(sent({ ...SETTING, screwTurns: "1¾", main: "160" }));
    expect((await logged()).at(-1)).toMatchObject({
      kind: "fit",
      changes: [{ part: "screwTurns", to: 1.75 }],
      because: "own",
    });
  });

  it.each([
    [{ main: "big" }, "main", "Main must be a jet number"],
    [{ clip: "2.5" }, "clip", "Clip must be a groove"],
    [{ clip: "9" }, "clip", "clip must be in 1..5, got 9"],
    [{ screwTurns: "40" }, "screwTurns", "Screw must be turns out from 0 to 10"],
  ])("refuses %p on its own field", async (wrong, field, words) => {
    const { fields } = await refusal(() => change(sent({ ...SETTING, main: "160", ...wrong })));
    expect(fields?.[field]).toContain(words);
  });

  it("does not log nothing", async () => {
    const { message } = await refusal(() => change(sent({ ...SETTING, main: "160" })));
    expect(message).toBe("Nothing differs from what is fitted.");
  });
});

describe("better or worse", () => {
  const say = (verdict: string, putBack = false) =>
    tap(sent({ intent: "compared", verdict, zone: "top", putBack }));
  it("ends the open change, and worse may put it back in the same write", async () => {
    expect(fold(await logged()).openChange).toBeDefined();
    await say("worse", true);
    const { openChange, setting, looks } = fold(await logged());
    expect(openChange).toBeUndefined();
    expect(setting?.main).toBe(ENDURO_BUILD.baseline.setting.main);
    expect(looks.at(-1)?.entry.reading).toEqual({
      type: "compared",
      zone: "top",
      verdict: "worse",
      fit: "fit:0001",
    });
    const { message } = await refusal(() => say("better"));
    expect(message).toContain("Nothing has been changed");
  });
  it("leaves it fitted when it is better, or when the tuner says so", async () => {
    await say("better");
    expect(fold(await logged())).toMatchObject({ openChange: undefined, setting: { main: 160 } });
  });
});
