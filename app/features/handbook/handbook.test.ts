/** @jest-environment node */
import { readdirSync, readFileSync } from "node:fs";
import { PLACES } from "#app/frame/places.ts";
import { HANDBOOK, handbookHref, pageOfPlace } from "#app/vocabulary/handbook.ts";

const PAGES = "app/features/handbook/pages";
const textOf = (slug: string) => readFileSync(`${PAGES}/${slug}.mdx`, "utf8");
/** Under two screens each. */
const MOST_WORDS = 420;

describe("the handbook", () => {
  it("has a page for each place of a rig", () => {
    expect(PLACES.filter(({ name }) => !pageOfPlace(name)).map(({ name }) => name)).toEqual([]);
  });
  it("lists every page that there is, each by its own title", () => {
    const files = readdirSync(PAGES).map((name) => name.replace(/\.mdx$/, ""));
    expect(files.sort()).toEqual(HANDBOOK.map(({ slug }) => slug).sort());
    for (const { slug, title } of HANDBOOK) {
      expect(textOf(slug)).toContain(`\n# ${title}\n`);
      expect(textOf(slug)).toContain(`title: "${title} · Handbook · Tamis"`);
    }
  });
  it("has short pages, and no link in them is dead", () => {
    const there = new Set(["/practice", "/trainer", ...HANDBOOK.map(({ slug }) => handbookHref(slug))]);
    for (const { slug } of HANDBOOK) {
      const text = textOf(slug);
      expect({ slug, words: text.split(/\s+/).length }).toEqual({
        slug,
        words: expect.any(Number) as number,
      });
      expect(text.split(/\s+/).length).toBeLessThan(MOST_WORDS);
      for (const [, to = ""] of text.matchAll(/\]\((\/[^)]*)\)/g)) expect(there).toContain(to);
    }
  });
});
