import { air, build, fit, look } from "../../../../core/__tests__/entries.ts";
import { fold } from "#core/log/fold.ts";
import { startingBuild } from "#core/rig/starting-builds.ts";
import { advise } from "#core/advice/advise.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { append } from "#app/store/rig-log.ts";
import { RIG, answerOf, freshRig, logged, posted, refusal } from "#app/testing/rig.ts";
import { database } from "#app/store/database.ts";
import { clientAction as makeRig } from "../new/route.tsx";
import { clientAction as describeRig } from "./route.tsx";
import { clientAction as tap, clientLoader as openRigScreen } from "#app/frame/route.tsx";

beforeEach(() => freshRig([build(), air("0001", "08:30"), fit("0001", "08:40", 160)]));
afterEach(() => jest.restoreAllMocks());

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
