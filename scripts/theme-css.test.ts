import { readFileSync } from "node:fs";
import { join } from "node:path";
import { DAY, NIGHT, SUN } from "#app/theme/colours.ts";
import { themeCss } from "./theme-css.ts";

describe("the theme's style sheet", () => {
  const css = themeCss();

  it("is what the theme makes now; run `npm run theme` after a change", () => {
    expect(readFileSync(join(__dirname, "../app/theme/variables.css"), "utf8")).toBe(css);
  });

  const rulesOf = (selector: string): string[] =>
    css
      .split("}")
      .map((rule) => rule.trim())
      .filter((rule) => rule.split("{").at(-2)?.includes(selector));

  it.each([
    ["by day", ":root", "light", DAY],
    ["by night", '"dark"', "dark", NIGHT],
    ["in the sun", '"sun"', "sun", SUN],
  ])("has our roles and MUI's %s", (_, ours, light, { paper, brass }) => {
    expect(rulesOf(ours).some((rule) => rule.includes(`--paper:${paper};`))).toBe(true);
    expect(rulesOf(`"${light}"`).some((rule) => rule.includes(`--mui-palette-primary-main:${brass};`))).toBe(
      true,
    );
  });

  it("stands in the layer that our own pieces come after", () => {
    expect(css.split("\n").filter((line) => line.startsWith("@layer"))).toEqual(Array(3).fill("@layer mui{"));
  });
});
