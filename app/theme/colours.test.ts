import { cssVariables, DAY, LIGHT_TONES, NIGHT, SUN, TONE_COLOURS, type Colours } from "./colours.ts";

/** WCAG 2.2, relative luminance and contrast ratio. */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const c = parseInt(hex.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * (r ?? NaN) + 0.7152 * (g ?? NaN) + 0.0722 * (b ?? NaN);
}
function contrast(a: string, b: string): number {
  const [x, y] = [luminance(a), luminance(b)];
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
}

describe.each([
  ["day", DAY],
  ["night", NIGHT],
  ["sun", SUN],
] as [string, Colours][])("by %s", (_, c) => {
  it("figures and body stand out with 7 to 1, everything else with 4.5 to 1", () => {
    for (const ground of [c.paper, c.sheet, c.petrolWash]) {
      expect(contrast(c.ink, ground)).toBeGreaterThan(7);
      for (const words of [c.quiet, c.petrol]) expect(contrast(words, ground)).toBeGreaterThan(4.5);
    }
    for (const ground of [c.paper, c.sheet]) {
      expect(contrast(c.brass, ground)).toBeGreaterThan(4.5);
      expect(contrast(c.signal, ground)).toBeGreaterThan(4.5);
    }
    expect(contrast(c.onBrass, c.brass)).toBeGreaterThan(4.5);
  });

  it("names on the layers of who feeds can be read", () => {
    expect(contrast(c.onLayerPilot, c.layerPilot)).toBeGreaterThan(4.5);
    expect(contrast(c.onLayerNeedle, c.layerNeedle)).toBeGreaterThan(4.5);
    expect(contrast(c.onLayerMain, c.layerMain)).toBeGreaterThan(4.5);
  });

  it("every role becomes a variable", () => {
    expect(Object.keys(cssVariables(c))).toHaveLength(Object.keys(c).length);
    expect(cssVariables(c)["--petrol-wash"]).toBe(c.petrolWash);
  });
});

describe("in the sun", () => {
  it("every word and every line of what can be pressed stands out with 7 to 1", () => {
    for (const ground of [SUN.paper, SUN.sheet, SUN.petrolWash])
      for (const words of [SUN.ink, SUN.quiet, SUN.petrol, SUN.brass, SUN.signal])
        expect(contrast(words, ground)).toBeGreaterThan(7);
    expect(contrast(SUN.hairline, SUN.paper)).toBeGreaterThan(4.5);
  });
});

describe("the tones of a plug", () => {
  const tones = Object.entries(TONE_COLOURS);
  it("darken step by step from chalk to soot, so that they hold in greyscale", () => {
    const steps = tones.map(([, hex]) => luminance(hex));
    expect([...steps].sort((a, b) => b - a)).toEqual(steps);
    expect(steps).toHaveLength(7);
  });
  it.each(tones)("%s carries words that can be read", (tone, hex) => {
    expect(contrast(LIGHT_TONES.has(tone) ? "#1D1A15" : "#FFFFFF", hex)).toBeGreaterThan(4.5);
  });
});
