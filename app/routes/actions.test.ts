import { air, build, fit, look } from "../../core/__tests__/entries.ts";
import { fold } from "#core/log/fold.ts";
import { startingBuild } from "#core/rig/starting-builds.ts";
import { advise } from "#core/advice/advise.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { append } from "#app/store/store.ts";
import { answerOf, freshRig, logged, posted, RIG } from "../__tests__/rig.ts";
import { database } from "#app/store/database.ts";
import { clientAction as readAir } from "./air.tsx";
import { clientAction as change } from "./change.tsx";
import { clientAction as logLook } from "./look.tsx";
import { clientAction as makeRig } from "./new-rig.tsx";
import { clientAction as describeRig } from "./rig-build.tsx";
import { clientAction as tap, clientLoader as openRigScreen } from "./rig.tsx";

const AIR = {
  temperature: "24",
  temperatureUnit: "°C",
  humidityKind: "relative",
  humidity: "46",
  pressureKind: "station",
  pressure: "863",
  pressureUnit: "hPa",
  pressureSure: "no",
  elevation: "1380",
  elevationUnit: "m",
  place: "Col de la Brume",
};
const PLUG = { type: "plug", zone: "top", tone: "cocoa", cut: "clean", colderSteps: "0" };
const LAMBDA = { type: "lambda", zone: "top", figure: "0,86", scale: "lambda", sensor: "inside" };
const SETTING = { pilot: "45", screwTurns: "1 1/2", clip: "3", main: "165", shimMm: "0" };

/** Runs an action that must be refused, and sees that the log stays as it was. */
async function refusal(
  run: () => Promise<unknown>,
): Promise<{ message?: string; fields?: Record<string, string> }> {
  const before = JSON.stringify(await logged());
  const { status, data } = answerOf(await run());
  expect(status).toBeGreaterThanOrEqual(400);
  expect(JSON.stringify(await logged())).toBe(before);
  return data as { message?: string; fields?: Record<string, string> };
}

beforeEach(() => freshRig([build(), air("0001", "08:30"), fit("0001", "08:40", 160)]));
afterEach(() => jest.restoreAllMocks());

describe("reading the air", () => {
  it("saves what the instruments showed, in SI, and goes to today", async () => {
    expect(answerOf(await readAir(posted(AIR)))).toEqual({ status: 302, location: `/rigs/${RIG}` });
    const entry = (await logged()).at(-1);
    expect(entry).toMatchObject({
      kind: "air",
      temperatureK: 297.15,
      humidity: { kind: "relative", fraction: 0.46 },
      pressure: { kind: "station", pressurePa: 86_300 },
      elevationM: 1380,
    });
  });

  it.each([
    [{ temperature: "" }, "temperature", "Temperature is missing"],
    [{ temperature: "warm" }, "temperature", "Temperature is not a number"],
    [
      { temperature: "75" },
      "temperature",
      "Temperature must be -30.0 to 55.0 °C; this is 75.0 °C. Is the unit right?",
    ],
    [{ humidity: "460" }, "humidity", "Humidity must be 0 to 100 %"],
    [{ humidityKind: "dewPoint", humidity: "30" }, "humidity", "do not belong together"],
    [{ humidityKind: "wetBulb", humidity: "-20" }, "humidity", "do not belong together"],
    [{ pressure: "1,013.25" }, "pressure", "has a comma and a point"],
    [{ pressure: "14.7 psi" }, "pressure", "the unit “psi” is not known"],
    [{ pressure: "86" }, "pressure", "Pressure must be 500 to 1100 hPa"],
    [{ pressure: "1018" }, "pressure", "looks like sea-level pressure"],
    [{ pressureKind: "seaLevel", pressure: "1018", elevation: "" }, "elevation", "Height is missing"],
    [{ pressureKind: "standard", elevation: "9000" }, "elevation", "Height must be"],
  ])("refuses %p on its own field", async (wrong, field, words) => {
    const { fields } = await refusal(() => readAir(posted({ ...AIR, ...wrong })));
    expect(fields?.[field]).toContain(words);
  });

  it("takes a suspected pressure once the tuner insists, or as sea level", async () => {
    expect(answerOf(await readAir(posted({ ...AIR, pressure: "1018", pressureSure: "yes" }))).status).toBe(
      302,
    );
    expect(
      answerOf(await readAir(posted({ ...AIR, pressure: "1018", pressureKind: "seaLevel" }))).status,
    ).toBe(302);
    expect((await logged()).slice(-2)).toMatchObject([
      { pressure: { kind: "station", pressurePa: 101_800 } },
      { pressure: { kind: "seaLevel", pressurePa: 101_800 } },
    ]);
  });

  it("keeps the form when the device is full", async () => {
    jest
      .spyOn(database, "setItem")
      .mockRejectedValue(Object.assign(new Error("full"), { name: "QuotaExceededError" }));
    const { message } = await refusal(() => readAir(posted(AIR)));
    expect(message).toContain("no room left");
  });
});

describe("logging a look", () => {
  it("saves a plug's tone, and a λ figure typed as λ or as AFR of this fuel", async () => {
    await logLook(posted(PLUG));
    await logLook(posted(LAMBDA));
    await logLook(posted({ ...LAMBDA, figure: "12.556", scale: "afr" }));
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

  it("saves what it did, and what else is on a plug", async () => {
    await logLook(posted({ type: "symptom", zone: "low", symptom: "bogs", notJetting: "" }));
    await logLook(posted({ ...PLUG, findings: "wet specks" }));
    const looks = (await logged()).filter(({ kind }) => kind === "look");
    expect(looks).toMatchObject([
      { reading: { type: "symptom", zone: "low", symptom: "bogs" } },
      { reading: { type: "plug", findings: ["wet", "specks"] } },
    ]);
  });

  it("keeps what is no jetting as a note: it moves no jet", async () => {
    const before = fold(await logged()).looks.length;
    await logLook(
      posted({ type: "symptom", zone: "idle", symptom: "popsOnOverrun", notJetting: "The joint leaks." }),
    );
    expect((await logged()).at(-1)).toMatchObject({
      kind: "note",
      text: "Pops on the overrun. The joint leaks.",
    });
    expect(fold(await logged()).looks.length).toBe(before);
  });

  it("keeps the answer that came with a symptom, and passes over one that is none", async () => {
    const symptom = { type: "symptom", zone: "top", symptom: "cutsInAndOut", notJetting: "" };
    await logLook(posted({ ...symptom, question: "comesBackRolledOff", is: "yes" }));
    await logLook(posted({ ...symptom, question: "", is: "" }));
    await logLook(posted({ ...symptom, question: "poem", is: "yes" }));
    const kinds = (await logged()).slice(-4).map((entry) => entry.kind);
    expect(kinds).toEqual(["answer", "look", "look", "look"]);
    expect(fold(await logged()).answers).toMatchObject([{ question: "comesBackRolledOff", is: "yes" }]);
  });

  it("logs an answer and what came of a fault in one tap each, and refuses what is none", async () => {
    await tap(posted({ intent: "answer", question: "screwMatters", is: "no" }));
    await tap(posted({ intent: "fault", fault: "airLeak", is: "mended" }));
    const present = fold(await logged());
    expect(present.answers).toMatchObject([{ question: "screwMatters", is: "no" }]);
    expect(present.faultWords).toMatchObject([{ fault: "airLeak", is: "mended" }]);
    expect(present.reopenings).toEqual([["pilot", "zones"]]);
    await refusal(() => tap(posted({ intent: "answer", question: "screwMatters", is: "maybe" })));
    await refusal(() => tap(posted({ intent: "fault", fault: "curse", is: "mended" })));
    await refusal(() => tap(posted({ intent: "fault", fault: "cylinderSeal", is: "mended", cylinder: "3" })));
  });

  it("logs only what differs, however it was typed", async () => {
    await change(posted({ ...SETTING, screwTurns: "1¾", main: "160" }));
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
    const { fields } = await refusal(() => change(posted({ ...SETTING, main: "160", ...wrong })));
    expect(fields?.[field]).toContain(words);
  });

  it("does not log nothing", async () => {
    const { message } = await refusal(() => change(posted({ ...SETTING, main: "160" })));
    expect(message).toBe("Nothing differs from what is fitted.");
  });
});

describe("better or worse", () => {
  const say = (verdict: string, putBack = "no") =>
    tap(posted({ intent: "compared", verdict, zone: "top", putBack }));
  it("ends the open change, and worse may put it back in the same write", async () => {
    expect(fold(await logged()).openChange).toBeDefined();
    await say("worse", "yes");
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

describe("taps", () => {
  const fitted = (to: number) => ({
    intent: "fit",
    because: "advice",
    changes: JSON.stringify([{ part: "main", to }]),
  });

  it("mark a change fitted, and put it back", async () => {
    await tap(posted(fitted(155)));
    expect(fold(await logged()).openChange).toMatchObject({ before: { main: 165 }, after: { main: 155 } });
    await tap(
      posted({ intent: "fit", because: "putBack", changes: JSON.stringify([{ part: "main", to: 165 }]) }),
    );
    expect(fold(await logged()).openChange).toBeUndefined();
  });

  it("strike an entry through and note something", async () => {
    await tap(posted({ intent: "strike", strikes: "fit:0001", why: "" }));
    await tap(posted({ intent: "note", text: " Dusty. " }));
    const entries = await logged();
    expect(fold(entries).setting?.main).toBe(165);
    expect(entries.at(-1)).toMatchObject({ kind: "note", text: "Dusty." });
  });

  it.each([
    [{ intent: "note", text: "  " }, "Write a note first."],
    [{ intent: "fit", because: "advice", changes: "[]" }, "cannot be read"],
    [
      { intent: "fit", because: "advice", changes: JSON.stringify([{ part: "clip", to: 12 }]) },
      "clip must be in 1..5, got 12",
    ],
    [{ intent: "explode" }, ""],
  ])("refuse %p", async (fields, words) => {
    expect((await refusal(() => tap(posted(fields)))).message).toContain(words);
  });
});

describe("opening a rig", () => {
  const opened = (rigId: string) => openRigScreen({ params: { rigId } } as never);

  it("gives the folded log and the units", async () => {
    await tap(posted({ intent: "note", text: "x" }));
    expect(await opened(RIG)).toMatchObject({ fitted: { main: 160 }, preferences: { pressure: "hPa" } });
  });

  it("answers 404 for a rig that is not here, 500 with the way out for one that cannot be read", async () => {
    await expect(opened("rig:none")).rejects.toMatchObject({ init: { status: 404 } });
    await database.setItem(`${RIG}/day/2026-05-23`, {
      version: 1,
      revision: 1,
      entries: [look("0001", "09:00"), 3],
    });
    await expect(opened(RIG)).rejects.toMatchObject({
      init: { status: 500 },
      data: expect.stringContaining("entries[1]") as string,
    });
  });
});

describe("describing a rig", () => {
  const sent = (body: unknown, rigId = RIG) => {
    const request = new Request("http://localhost/new", { method: "POST", body: JSON.stringify(body) });
    return { request, params: { rigId }, context: {} } as never;
  };
  const newRig = { name: "Farm hack", plate: "7", build: startingBuild("fourStrokeAtv") };
  const bent = { ...ENDURO_BUILD, carburettor: { ...ENDURO_BUILD.carburettor, needleJetMm: 2.5 } };

  it("makes a rig with its first entry and opens it", async () => {
    const { status, location } = answerOf(await makeRig(sent(newRig)));
    expect(status).toBe(302);
    const made = await openRigScreen({ params: { rigId: location?.replace("/rigs/", "") ?? "" } } as never);
    expect(made).toMatchObject({ log: { header: { name: "Farm hack", plate: "7" } }, fitted: { main: 140 } });
  });

  it("asks for name and plate, and refuses a machine that cannot be, leaving no rig behind", async () => {
    const keys = await database.keys();
    expect(answerOf(await makeRig(sent({ ...newRig, name: " ", plate: "12345" })))).toMatchObject({
      status: 400,
      data: {
        fields: {
          name: expect.stringContaining("Give it a name") as string,
          plate: expect.any(String) as string,
        },
      },
    });
    expect(answerOf(await makeRig(sent({ ...newRig, build: bent })))).toMatchObject({
      status: 400,
      data: { message: expect.stringContaining("needle must be thinner") as string },
    });
    expect(await database.keys()).toEqual(keys);
  });

  it("logs a new build, keeps what is fitted, and reopens the doubts of what was worked on", async () => {
    const topSd = async () => advise(await logged()).zones.find(({ zone }) => zone === "top")?.sd ?? NaN;
    for (const id of ["0001", "0002", "0003"]) await append(RIG, look(id, "09:00"));
    const before = await topSd();
    const work = { build: ENDURO_BUILD, what: "mainCleaned", why: "Main jet passage cleaned", corrects: [] };
    expect(answerOf(await describeRig(sent(work)))).toMatchObject({ status: 302 });
    expect(fold(await logged()).setting?.main).toBe(160);
    expect(await topSd()).toBeGreaterThan(before);
  });

  it("refuses a needle that has not the groove that is fitted: nothing could be advised any more", async () => {
    await tap(
      posted({ intent: "fit", because: "advice", changes: JSON.stringify([{ part: "clip", to: 5 }]) }),
    );
    const needle = { ...ENDURO_BUILD.carburettor.needle, grooves: 3 };
    const short = { ...ENDURO_BUILD, carburettor: { ...ENDURO_BUILD.carburettor, needle } };
    const { message } = await refusal(() =>
      describeRig(sent({ build: short, what: "measured", why: "", corrects: [] })),
    );
    expect(message).toContain("clip must be in 1..3, got 5");
  });

  it("refuses a build that cannot be, and one that cannot be read", async () => {
    expect(
      (await refusal(() => describeRig(sent({ build: bent, what: "measured", why: "", corrects: [] }))))
        .message,
    ).toContain("needle");
    expect((await refusal(() => describeRig(sent({ build: 3 })))).message).toContain("cannot be read");
  });
});
