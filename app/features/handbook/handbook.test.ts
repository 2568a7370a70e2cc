/** @jest-environment node */
import { readdirSync, readFileSync } from "node:fs";
import { humidAir } from "#core/air/humid-air.ts";
import { adviseOn } from "#core/advice/card/advise.ts";
import { openCase } from "#core/advice/judge/case.ts";
import { CHECKS } from "#core/log/walk-round-names.ts";
import { FAULT_NAMES } from "#core/log/fault-names.ts";
import { TOLD_DAY, TOLD_OFFSET } from "#demo/told-day.ts";
import { demoMovedTo } from "#demo/told.ts";
import { ADDRESSES, WRITTEN } from "#app/handbook-pages.ts";
import { WARNING_PAGES } from "#app/features/today/warnings.ts";
import { helpAt, PLACES, placeHref } from "#app/frame/places.ts";
import { GLOSSARY, TERMS } from "#app/vocabulary/glossary.ts";
import { HANDBOOK } from "#app/vocabulary/handbook.ts";
import { checkPage, faultPage, handbookHref, LAW_PAGE } from "#app/vocabulary/help.ts";
import { benchNumbers } from "./bench-numbers.server.ts";
import { workedExample } from "./worked-example.server.ts";

const PAGES = "app/features/handbook/pages";
const textOf = (slug: string) => readFileSync(`${PAGES}/${slug}.mdx`, "utf8");
/** Under two screens each. */
const MOST_WORDS = 420;
const THERE = new Set(ADDRESSES);

describe("the handbook", () => {
  it("lists every page that there is, each by its own title", () => {
    expect(HANDBOOK.map(({ slug }) => handbookHref(slug)).sort()).toEqual(
      ADDRESSES.filter((address) => address !== "/handbook").sort(),
    );
    expect(readdirSync(PAGES)).toHaveLength(WRITTEN.length);
    for (const { slug, title, kind } of HANDBOOK) {
      if (kind) continue;
      expect(textOf(slug)).toContain(`\n# ${title}\n`);
      expect(textOf(slug)).toContain(`title: "${title} · Handbook · Tamis"`);
    }
  });
  it("has short pages, and no link in them is dead", () => {
    for (const slug of WRITTEN) {
      const text = textOf(slug);
      expect({ slug, long: text.split(/\s+/).length > MOST_WORDS }).toEqual({ slug, long: false });
      for (const [, to = ""] of text.matchAll(/\]\((\/[^)]*)\)/g))
        expect(["/practice", "/trainer", ...THERE]).toContain(to);
    }
  });
  it("explains every screen of a rig, every check, fault, warning and word: none is dead", () => {
    const rig = "rig:any";
    const screens = PLACES.flatMap((place) => [...place.screens, ...(place.within ?? [])]);
    const led = [
      ...screens.map(({ path }) => helpAt(rig, placeHref(rig, path.split("?")[0] ?? ""))),
      ...CHECKS.map((check) => helpAt(rig, placeHref(rig, `walk-round/${check}`))),
      ...CHECKS.map(checkPage),
      ...FAULT_NAMES.map(faultPage),
      ...Object.values(WARNING_PAGES),
      ...TERMS.map((term) => handbookHref(GLOSSARY[term].page)),
      LAW_PAGE,
    ];
    expect(led.filter((page) => page === undefined || !THERE.has(page))).toEqual([]);
  });
  it("leads from a page only to steps that a rig has", () => {
    const steps = HANDBOOK.flatMap(({ step }) => step ?? []);
    expect(
      steps.filter((step) => helpAt("rig:any", placeHref("rig:any", step.split("?")[0] ?? "")) === undefined),
    ).toEqual([]);
  });
});

describe("numbers in the handbook", () => {
  it("are the bench’s own, read from its tables, and a table that changed its shape stops the build", () => {
    const text = readFileSync("docs/judgement.md", "utf8");
    const { schools, calibration } = benchNumbers(text);
    expect(schools.map(({ who, right }) => [who, right])).toEqual([
      ["advice", "75 %"],
      ["robot, from the bottom up", "49 %"],
      ["robot, from the top down", "51 %"],
    ]);
    expect(calibration.at(-1)).toEqual({ said: "90-100 %", times: "250", right: "96 %" });
    expect(() => benchNumbers(text.replace("## An engine nobody knows", "## Another"))).toThrow(
      "no table under",
    );
    expect(() => benchNumbers(text.replaceAll("| plug + idle ", "| plug "))).toThrow("changed its shape");
  });
  it("of the worked example are the card’s of the demo’s enduro", () => {
    const example = workedExample();
    const rig = demoMovedTo(TOLD_DAY, TOLD_OFFSET).find(({ header }) => header.id === "rig:demo-enduro")!;
    const advice = adviseOn(openCase(rig.entries));
    const main = advice.card.rows.find(({ part }) => part === "main")!;
    expect([example.fitted.main, example.card.main]).toEqual([main.from, main.to]);
    expect(example.byPhysics).toBeCloseTo(advice.air.shift.top, 9);
    expect(example.now.dryKgM3 / example.then.dryKgM3).toBeCloseTo(advice.air.relativeDryDensity, 9);
    expect(example.card.leanRisk).toBeLessThanOrEqual(0.05);
  });
  it("of the air are right: by the formula that stands there and by the one that the card uses", () => {
    const dry = (celsius: number, hPa: number, humidity: number) => {
      const vapour = 611.2 * Math.exp((17.62 * celsius) / (243.12 + celsius)) * humidity;
      return (100 * hPa - vapour) / (287.06 * (273.15 + celsius));
    };
    const card = (celsius: number, hPa: number, humidity: number) =>
      humidAir({ temperatureK: 273.15 + celsius, pressurePa: 100 * hPa, relativeHumidity: humidity })
        .dryDensityKgM3;
    expect(dry(30, 950, 0.6)).toBeCloseTo(1.062, 3);
    expect(Math.abs(card(30, 950, 0.6) / dry(30, 950, 0.6) - 1)).toBeLessThan(0.001);
    expect(Math.abs(card(15, 1013, 0.5) / 1.215 - 1)).toBeLessThan(0.001);
    expect(100 * (1 - card(30, 950, 0.6) / card(15, 1013, 0.5))).toBeCloseTo(12.5, 0);
    expect(textOf("formulas")).toContain("1.062 kg/m³");
  });
});
