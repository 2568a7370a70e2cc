/**
 * What the build makes of the handbook's written pages: one style sheet for all of them, which each would carry
 * inline else, and the index that search goes by.
 */
import { createHash } from "node:crypto";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { gzipSync } from "node:zlib";
import MiniSearch from "minisearch";
import { SEARCH_FILE, SEARCH_OPTIONS } from "../app/vocabulary/handbook-search.ts";

const BUILT = "build/client";
const INLINE_STYLE = /<style data-emotion="[^"]*">(.*?)<\/style>/gs;

const PRELOADS = /<link rel="modulepreload"[^>]*>/g;

const pagesIn = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((name) => name.endsWith(".html"))
    .map((name) => `${folder}/${name}`);

/** @returns a page's words, without its tags, its contents and its scripts */
export function textOfPage(html: string): { title: string; text: string } {
  const main = /<main[^>]*>(.*?)<nav aria-label="Next and previous"/s.exec(html)?.[1] ?? "";
  const plain = (piece: string): string =>
    piece
      .replace(/<(style|script|svg)[^>]*>.*?<\/\1>/gs, " ")
      .replace(/<[^>]+>/g, " ")
      .replace(/&[#\w]+;/g, " ")
      .replace(/\s+/g, " ")
      .trim();
  return { title: plain(/<h1[^>]*>(.*?)<\/h1>/s.exec(main)?.[1] ?? ""), text: plain(main) };
}

/** Each word once: how often it is there hardly matters on pages this short. */
const wordsOnce = (text: string): string =>
  [...new Set(text.toLowerCase().match(/[\p{L}\d]{3,}/gu) ?? [])].join(" ");

/** @returns size of the index in bytes, gzipped */
function writeIndex(pages: readonly { file: string; html: string }[]): number {
  const index = new MiniSearch(SEARCH_OPTIONS);
  for (const { file, html } of pages) {
    const slug = file.slice(`${BUILT}/handbook/`.length).replace(/\/?index\.html$/, "");
    const { title, text } = textOfPage(html);
    // The contents are no page to be found.
    if (slug !== "") index.add({ slug, title, text: wordsOnce(text) });
  }
  const json = JSON.stringify(index);
  writeFileSync(`${BUILT}${SEARCH_FILE}`, json);
  return gzipSync(json).length;
}

/** Writes the sheet, takes the inline styles out of the pages, writes the index. @returns its size, gzipped */
export function finishHandbook(): number {
  const pages = pagesIn(`${BUILT}/handbook`).map((file) => ({ file, html: readFileSync(file, "utf8") }));
  const rules = new Set(
    pages.flatMap(({ html }) => [...html.matchAll(INLINE_STYLE)].map(([, css]) => css ?? "")),
  );
  const sheet = [...rules].join("\n");
  const name = `/assets/handbook-${createHash("sha256").update(sheet).digest("hex").slice(0, 8)}.css`;
  writeFileSync(`${BUILT}${name}`, sheet);
  // A page is there to be read: nothing that only its figures need comes before its words.
  for (const { file, html } of pages)
    writeFileSync(
      file,
      html
        .replace(INLINE_STYLE, "")
        .replace(PRELOADS, "")
        .replace("</body>", `<link rel="stylesheet" href="${name}"/></body>`),
    );
  return writeIndex(pages);
}
