/** Walk-round, box, base sheet, teardown and work: what their actions log, and what they refuse. */
import { build, fit } from "../../../../core/__tests__/entries.ts";
import { freshRig, sent, present, refused } from "#app/testing/rig.ts";
import { clientAction as work } from "./route.tsx";

beforeEach(() => freshRig([build(), fit("0001", "08:30", 160)]));
afterEach(() => jest.restoreAllMocks());

describe("work done", () => {
  it("is logged by what it was", async () => {
    await work(sent({ what: "pipeChanged", why: "class pipe" }));
    expect((await present()).reopenings).toEqual([["pilot", "needle", "main", "zones"]]);
    expect(await refused(() => work(sent({ what: "polished", why: "" })))).toContain(
      "Choose one of those offered",
    );
  });
});
