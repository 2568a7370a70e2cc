import { fireEvent, render, screen } from "@testing-library/react";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { STARTING_KINDS, startingBuild } from "#core/rig/starting-builds.ts";
import { needleOutline, needleView } from "./geometry.ts";
import { NeedleDrawing } from "./NeedleDrawing.tsx";

const scale = { x: 100, mouth: 200, along: 3, across: 18 };

describe("the needle in its jet", () => {
  it("stands as the worked numbers say", () => {
    // Half throttle: the slide is lifted 19 mm, so 19 mm along the needle: 2.52 - 8/13 of 0.27.
    const view = needleView(ENDURO_BUILD, 0.5, 3, 0);
    expect(view.liftMm).toBeCloseTo(19, 9);
    expect(view.positionMm).toBeCloseTo(19, 9);
    expect(view.diameterMm).toBeCloseTo(2.52 - (8 / 13) * 0.27, 9);
    expect(view.ringMm2).toBeCloseTo((Math.PI / 4) * (2.68 ** 2 - view.diameterMm ** 2), 9);
  });

  it("opens its ring with the throttle, with a lower groove and with a shim, never closes it", () => {
    const rings = [0, 0.2, 0.4, 0.6, 0.8, 1].map(
      (throttle) => needleView(ENDURO_BUILD, throttle, 3, 0).ringMm2,
    );
    expect([...rings].sort((a, b) => a - b)).toEqual(rings);
    expect(needleView(ENDURO_BUILD, 0.5, 4, 0).ringMm2).toBeGreaterThan(
      needleView(ENDURO_BUILD, 0.5, 3, 0).ringMm2,
    );
    expect(needleView(ENDURO_BUILD, 0.5, 3, 0.3).ringMm2).toBeGreaterThan(
      needleView(ENDURO_BUILD, 0.5, 3, 0).ringMm2,
    );
    for (const kind of STARTING_KINDS)
      expect(needleView(startingBuild(kind), 0, 1, 0).ringMm2).toBeGreaterThan(0);
  });

  it("is drawn with its true thickness at the jet's mouth", () => {
    const view = needleView(ENDURO_BUILD, 0.5, 3, 0);
    const points = [...needleOutline(ENDURO_BUILD, view, scale, 40).matchAll(/[ML]([\d.-]+) ([\d.-]+)/g)].map(
      ([, x, y]) => ({ x: Number(x), y: Number(y) }),
    );
    const right = points.filter(({ x }) => x > scale.x);
    const after = right.findIndex(({ y }) => y >= scale.mouth);
    const [a, b] = [right[after - 1], right[after]];
    if (!a || !b) throw new Error("the needle must cross the mouth");
    const half = a.x + ((scale.mouth - a.y) / (b.y - a.y)) * (b.x - a.x) - scale.x;
    expect((2 * half) / scale.across).toBeCloseTo(view.diameterMm, 1);
  });

  it("says who rules as the throttle and the groove are moved", () => {
    render(<NeedleDrawing build={ENDURO_BUILD} />);
    expect(screen.getByText(/The needle rules here/)).toBeInTheDocument();
    fireEvent.change(screen.getByRole("slider", { name: "Throttle" }), { target: { value: 1 } });
    expect(screen.getByText(/The main jet rules here/)).toBeInTheDocument();
    const before = screen.getByRole("img").getAttribute("aria-label");
    expect(before).toBe("Needle in its jet at 100 % throttle");
    fireEvent.click(screen.getByRole("button", { name: "1" }));
    expect(screen.getByRole("button", { name: "1" })).toHaveAttribute("aria-pressed", "true");
  });
});
