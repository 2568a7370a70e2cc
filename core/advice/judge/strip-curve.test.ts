import { FRAME, judgeWith, PRIOR } from "../../__tests__/judged.ts";
import { PROBES, rulerPosition, ZONES } from "../../carburettor/zones.ts";
import { build } from "../../__tests__/entries.ts";
import { openCase, groupOf } from "./case.ts";
import { residualShares, stripCurve } from "./strip-curve.ts";

describe("the curve of the strip", () => {
  it("shares what the shape gets wrong between two probes by distance, and leaves it to the last beyond", () => {
    const [idle, low, top] = (["idle", "low", "top"] as const).map((zone) => rulerPosition(PROBES[zone]));
    expect(residualShares((idle ?? NaN) / 2)).toEqual({ idle: 1 });
    expect(residualShares(((top ?? NaN) + 1) / 2)).toEqual({ top: 1 });
    const quarter = residualShares((idle ?? NaN) + ((low ?? NaN) - (idle ?? NaN)) / 4);
    expect(quarter.idle).toBeCloseTo(0.75, 12);
    expect(quarter.low).toBeCloseTo(0.25, 12);
  });

  it("passes through what each zone is judged to be", () => {
    const { setting } = FRAME.build.baseline;
    const group = groupOf(openCase([build()]), 0);
    const curve = stripCurve(group, PRIOR, FRAME.air);
    const judged = judgeWith(PRIOR).judge(setting).zones;
    for (const zone of ZONES) {
      const near = curve.reduce((a, b) =>
        Math.abs(a.throttle - PROBES[zone]) < Math.abs(b.throttle - PROBES[zone]) ? a : b,
      );
      expect(Math.abs(near.mean - judged[zone].mean)).toBeLessThan(0.01);
      expect(Math.abs(near.sd / judged[zone].sd - 1)).toBeLessThan(0.1);
    }
  });
});
