import { air, build, fit, look } from "../../../../core/__tests__/entries.ts";
import { fold } from "#core/log/fold.ts";
import { advise } from "#core/advice/card/advise.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { append } from "#app/store/rig-log.ts";
import { RIG, answerOf, freshRig, logged, refusal } from "#app/testing/rig.ts";
import { database } from "#app/store/database.ts";
import { usualKnown } from "../new/known.ts";
import { clientAction as makeRig } from "../new/route.tsx";
import { buildTexts } from "./texts.ts";
import { clientAction as rename } from "./face.ts";
import { clientAction as describeRig } from "./route.tsx";
import { clientAction as tap, clientLoader as openRigScreen } from "#app/frame/route.tsx";

beforeEach(() => freshRig([build(), air("0001", "08:30"), fit("0001", "08:40", 160)]));
afterEach(() => jest.restoreAllMocks());

describe("describing a rig", () => {
  const sent = (body: unknown, rigId = RIG) => {
    const request = new Request("http://localhost/new", { method: "POST", body: JSON.stringify(body) });
    return { request, params: { rigId }, context: {} } as never;
  };
  const newRig = { ...usualKnown("fourStrokeAtv"), means: ["plug", "idleBench"] };
  const bent = { ...ENDURO_BUILD, carburettor: { ...ENDURO_BUILD.carburettor, needleJetMm: 2.5 } };

  it("makes a rig with its first entry and opens it", async () => {
    const { status, location } = answerOf(await makeRig(sent(newRig)));
    expect(status).toBe(302);
    const made = await openRigScreen({ params: { rigId: location?.replace("/rigs/", "") ?? "" } } as never);
    expect(made).toMatchObject({
      log: { header: { name: "400 four-stroke", plate: "1" } },
      fitted: { main: 140 },
      present: { schools: { lookWith: ["plug", "idleBench"] }, air: undefined },
    });
  });

  it("takes today's air, where it was typed, for that of what is right and for today's", async () => {
    const typed = { ...newRig, airOf: "today", temperature: "30", elevation: "1200" };
    const { location } = answerOf(await makeRig(sent(typed)));
    const rigId = location?.replace("/rigs/", "") ?? "";
    const { present, build: made } = await openRigScreen({ params: { rigId } } as never);
    expect(present.air).toMatchObject({
      temperatureK: 303.15,
      elevationM: 1200,
      pressure: { kind: "standard" },
    });
    expect(made.baseline.air.pressurePa).toBeCloseTo(87_716, -2);
    expect(made.assumed).not.toContain("baseline.air.temperatureK");
  });

  it("gives each new rig a plate of its own, and takes another name and plate later", async () => {
    const first = answerOf(await makeRig(sent(newRig))).location?.replace("/rigs/", "") ?? "";
    const second = answerOf(await makeRig(sent(newRig))).location?.replace("/rigs/", "") ?? "";
    const faceOf = async (rigId: string) => (await openRigScreen({ params: { rigId } } as never)).log.header;
    expect([(await faceOf(first)).plate, (await faceOf(second)).plate]).toEqual(["1", "2"]);
    await rename(sent({ name: "Farm hack", plate: "F7" }, first));
    expect(await faceOf(first)).toMatchObject({ name: "Farm hack", plate: "F7" });
    expect((await refusal(() => rename(sent({ name: " ", plate: "12345" }, first)))).fields).toMatchObject({
      name: expect.stringContaining("Give it a name") as string,
      plate: expect.stringContaining("4 signs") as string,
    });
  });

  it.each([
    ["a bore of no throttle", { boreMm: "3" }, "boreMm", "at least 8"],
    ["jets the wrong way round", { pilot: "200" }, "pilot", "finer one"],
    ["a size that is none", { displacementCm3: "big" }, "displacementCm3", "“big” is not a number"],
    ["an air that was not typed", { airOf: "today" }, "temperature", "Type an air temperature in °C"],
    [
      "a height above all mountains",
      { airOf: "today", temperature: "20", elevation: "9000" },
      "elevation",
      "5500",
    ],
  ])("refuses %s at its field, leaving no rig behind", async (_, change, field, words) => {
    const keys = await database.keys();
    const { fields = {} } = await refusal(() => makeRig(sent({ ...newRig, ...change })));
    expect(fields[field]).toContain(words);
    expect(await database.keys()).toEqual(keys);
  });

  it("logs a new build, keeps what is fitted, and reopens the doubts of what was worked on", async () => {
    const topSd = async () => advise(await logged()).zones.find(({ zone }) => zone === "top")?.sd ?? NaN;
    for (const id of ["0001", "0002", "0003"]) await append(RIG, look(id, "09:00"));
    const before = await topSd();
    const work = { ...buildTexts(ENDURO_BUILD), what: "mainCleaned", why: "Main jet passage cleaned" };
    expect(answerOf(await describeRig(sent(work)))).toMatchObject({
      status: 200,
      data: {
        logged: [expect.any(String), expect.any(String)],
        seen: expect.stringMatching(/^build:/) as string,
      },
    });
    expect(fold(await logged()).setting?.main).toBe(160);
    expect(await topSd()).toBeGreaterThan(before);
  });

  it("refuses a needle that has not the groove that is fitted: nothing could be advised any more", async () => {
    await tap(sent({ intent: "fit", because: "advice", changes: [{ part: "clip", to: 5 }] }));
    const needle = { ...ENDURO_BUILD.carburettor.needle, grooves: 3 };
    const short = { ...ENDURO_BUILD, carburettor: { ...ENDURO_BUILD.carburettor, needle } };
    const { message } = await refusal(() =>
      describeRig(sent({ ...buildTexts(short), what: "measured", why: "" })),
    );
    expect(message).toContain("clip must be in 1..3, got 5");
  });

  it("refuses a build that cannot be, and one that cannot be read", async () => {
    expect(
      (await refusal(() => describeRig(sent({ ...buildTexts(bent), what: "measured", why: "" })))).message,
    ).toContain("needle");
    expect((await refusal(() => describeRig(sent({ engine: 3 })))).message).toContain("cannot be read");
  });
});
