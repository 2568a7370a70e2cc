import { render, screen } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { demoMovedTo } from "#demo/told.ts";
import { fold } from "#core/log/fold.ts";
import { advise } from "#core/advice/card/advise.ts";
import { lookFaces } from "../look-faces.ts";
import { layerPath, markPosition, xAt, yAt, ZONE_SPANS, type StripSize } from "./geometry.ts";
import { Strip, type LiveMark } from "./Strip.tsx";

const size: StripSize = { left: 10, right: 110, top: 0, bottom: 28, layersTop: 30, layersBottom: 40 };
const entries = demoMovedTo("2026-05-23", "+02:00")[0]?.entries ?? [];
const advice = advise(entries);
const looks = lookFaces(fold(entries));

beforeAll(() => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});

describe("the strip's geometry", () => {
  it("puts lean up and rich down, and keeps the wildest error on the sheet", () => {
    expect(yAt(size, 0)).toBe(14);
    expect(yAt(size, 0.07)).toBe(7);
    expect([yAt(size, 0.5), yAt(size, -0.5)]).toEqual([0, 28]);
    expect([xAt(size, 0), xAt(size, 1)]).toEqual([10, 110]);
  });

  it("stretches the ruler so that idle and low are not squeezed", () => {
    const widths = ZONE_SPANS.map(({ from, to }) => to - from);
    expect(widths.reduce((sum, w) => sum + w, 0)).toBeCloseTo(1, 12);
    expect(widths[0]).toBeGreaterThan(0.25); // an eighth of the throttle
  });

  it("stacks the layers without gap or overlap", () => {
    const ends = (layer: "main" | "needle" | "pilot") =>
      [...layerPath(size, advice.strip, layer).matchAll(/[ML]([\d.]+) ([\d.]+)/g)].map(([, x, y]) => [
        Number(x),
        Number(y),
      ]);
    const n = advice.strip.length;
    const [main, needle, pilot] = [ends("main"), ends("needle"), ends("pilot")];
    for (let i = 0; i < n; i += 1) {
      expect(main[i]?.[1]).toBe(needle[2 * n - 1 - i]?.[1]);
      expect(needle[i]?.[1]).toBe(pilot[2 * n - 1 - i]?.[1]);
      expect(pilot[i]?.[1]).toBe(30);
    }
  });

  it("keeps the marks of a crowded zone inside it", () => {
    for (const span of ZONE_SPANS)
      for (let i = 0; i < 12; i += 1) {
        expect(markPosition(span, i, 12)).toBeGreaterThan(span.from);
        expect(markPosition(span, i, 12)).toBeLessThan(span.to);
      }
  });
});

describe("the strip", () => {
  it("follows a meter that is read, in its own zone, and forgets it with the meter", () => {
    const drawn = (live?: LiveMark) =>
      render(
        <MemoryRouter>
          <Strip advice={advice} looks={[]} live={live} working={false} zoneHref={(zone) => zone} />
        </MemoryRouter>,
      ).container.querySelector('rect[fill="var(--petrol)"]');
    expect(drawn()).toBeNull();
    const [lean, rich] = [drawn({ zone: "top", reads: 0.05 }), drawn({ zone: "top", reads: -0.05 })];
    expect(Number(lean?.getAttribute("y"))).toBeLessThan(Number(rich?.getAttribute("y")));
    expect(lean?.getAttribute("x")).toBe(rich?.getAttribute("x"));
    const idle = drawn({ zone: "idle", reads: 0 });
    expect(Number(idle?.getAttribute("x"))).toBeLessThan(Number(lean?.getAttribute("x")));
  });
  it("names each zone with its state, leads to its work, and numbers the day's looks", () => {
    render(
      <MemoryRouter>
        <Strip advice={advice} looks={looks} working={false} zoneHref={(zone) => `/look?zone=${zone}`} />
      </MemoryRouter>,
    );
    const links = screen.getAllByRole("link");
    expect(links.map((link) => link.getAttribute("href"))).toEqual(
      ["idle", "low", "mid", "top"].map((zone) => `/look?zone=${zone}`),
    );
    expect(links[3]).toHaveAccessibleName(/^Full throttle: (right|.*(rich|lean)|unseen)\. Log a look there$/);
    for (const { number } of looks) expect(screen.getByText(String(number))).toBeInTheDocument();
    expect(looks.length).toBeGreaterThan(0);
  });
});
