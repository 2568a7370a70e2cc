/** Walk-round, box, base sheet, teardown and work: what their actions log, and what they refuse. */
import { build, fit } from "../../../../core/__tests__/entries.ts";
import { freshRig, present, refused, sent } from "#app/testing/rig.ts";
import type { Box } from "#core/log/schema.ts";
import { boxTexts } from "./form.ts";
import { clientAction as box } from "./route.tsx";

beforeEach(() => freshRig([build(), fit("0001", "08:30", 160)]));
afterEach(() => jest.restoreAllMocks());

describe("the box", () => {
  it("is logged whole, and is the rig's from then on", async () => {
    const next: Box = {
      pilots: [45],
      mains: [150, 155],
      shimsMm: [],
      drilled: [{ part: "main", stamped: 148, measuredMm: 1.58 }],
    };
    await box(sent(boxTexts(next)));
    expect((await present()).build?.box).toEqual(next);
    expect(await refused(() => box(sent({ ...boxTexts(next), mains: "2" })))).toContain("at least 5");
  });
});
