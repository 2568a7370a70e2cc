/**
 * Every sentence of the screens, with its place and file: `npm run sentences`. Read from the source as it is written:
 * what is put in at run time stands as `…`. What breaks a rule of how we write is marked.
 */
import { readdirSync, readFileSync } from "node:fs";
import { dirname, join, relative } from "node:path";
import { fileURLToPath } from "node:url";
import ts from "typescript";
import { PLACES } from "#app/frame/places.ts";

export interface Sentence {
  readonly file: string;
  readonly line: number;
  readonly words: string;
}

/** More words than this have to be read twice. */
export const MOST_WORDS = 20;
/** Turns of phrase that hide who does what to what. */
export const RIDDLES =
  /\b(tells|told|asks for|is said|was said|nobody has|as far as|leans on|is had|speaks for|stands)\b/i;
/** Names of zones but the four: idle, just off idle, middle, full throttle. */
export const OTHER_ZONES =
  /\b(at the top(?! of)|the (top|low|bottom|mid) (zone|end|range)|off[- ]idle(?<!just off idle)|mid-?range|wide open throttle|WOT)\b/i;
/** Words of doubt but the four: sure, likely, maybe, not sure; and "probably" with the likelier side. */
export const OTHER_DOUBT =
  /\b(perhaps|possibly|presumably|apparently|conceivably|surely|doubtless|almost certainly|very likely|quite likely)\b/i;

const ROOT = fileURLToPath(new URL("../", import.meta.url));
const ROOMS = ["app", "cli", "demo"];
const NO_WORDS = /[\\/](testing|theme)[\\/]|\.(test|worker)\.tsx?$|\.css$/;

function filesIn(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return filesIn(path);
    return /\.(tsx?|mdx)$/.test(path) && !NO_WORDS.test(path) ? [path] : [];
  });
}

/** What is shown where: the folder of a screen's file to the name of the screen, from the table of routes. */
const SCREENS: ReadonlyMap<string, string> = new Map(
  [...readFileSync(join(ROOT, "app/routes.ts"), "utf8").matchAll(/"([^"]*)", "(features\/[^"]*)\/[^/"]+"/g)]
    .reverse()
    .map(([, path = "", folder = ""]) => [`app/${folder}`, screenNamed(path)]),
);

function screenNamed(path: string): string {
  for (const { name, screens, within = [] } of PLACES) {
    const screen = [...screens, ...within].find((one) => one.path.split("?")[0] === path.split("/")[0]);
    if (screen) return screen.name === name ? name : `${name}, ${screen.name}`;
  }
  return path.charAt(0).toUpperCase() + path.slice(1);
}

const ELSEWHERE: readonly (readonly [string, string])[] = [
  ["app/features/today", "Today"],
  ["app/features/paddock", "Paddock"],
  ["app/frame", "Every screen of a rig"],
  ["cli", "Command line"],
  ["demo", "Demo"],
];

/** @returns the screen that a file's sentences are on */
export function screenOf(file: string): string {
  for (let folder = dirname(file); folder !== "."; folder = dirname(folder)) {
    const named = SCREENS.get(folder) ?? ELSEWHERE.find(([one]) => one === folder)?.[1];
    if (named !== undefined) return named;
  }
  return "Several screens";
}

/** Prose has several words and begins like one; addresses, class names and keys do not. */
const isProse = (text: string): boolean =>
  /^[“"]?[\p{Lu}…\d]/u.test(text) &&
  /\p{Ll}{2}/u.test(text) &&
  text.split(" ").length >= 3 &&
  !/[<>{}=]|^\S*\//.test(text);

/** What a piece of source says, with `…` for what is put in; nothing where it is no text. */
function textOf(node: ts.Node): string | undefined {
  if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) return node.text;
  if (ts.isTemplateExpression(node))
    return node.head.text + node.templateSpans.map(({ literal }) => `…${literal.text}`).join("");
  if (!ts.isJsxElement(node) && !ts.isJsxFragment(node)) return undefined;
  const parts = node.children.map((child) => {
    if (ts.isJsxText(child)) return child.text;
    if (ts.isJsxExpression(child) && child.expression)
      return ts.isStringLiteral(child.expression) ? child.expression.text : "…";
    return ts.isJsxElement(child) ? (textOf(child) ?? "…") : "…";
  });
  return node.children.some((child) => ts.isJsxText(child) && child.text.trim() !== "")
    ? parts.join("").replace(/\s+/g, " ").trim()
    : undefined;
}

/** A text's sentences; a point within a number or after an abbreviation ends none. */
const sentencesOf = (text: string): string[] => text.split(/(?<=[.?!:;])\s+(?=[“"(]?[\p{Lu}…\d])/u);

/** @returns the sentences of a file of source */
export function sentencesIn(source: string, file: string): Sentence[] {
  const parsed = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true);
  const found: Sentence[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return;
    const text = textOf(node);
    if (text !== undefined && isProse(text)) {
      const line = parsed.getLineAndCharacterOfPosition(node.getStart(parsed)).line + 1;
      for (const words of sentencesOf(text)) found.push({ file, line, words });
      // What stands within it is read already, but for what is put in.
      if (!ts.isTemplateExpression(node)) return;
    }
    ts.forEachChild(node, visit);
  };
  visit(parsed);
  return found;
}

/** A line of a page without its marks: heading, list, quote, cells, links and strong words. */
const plainLine = (line: string): string[] =>
  line
    .replace(/^\s*(#+|[-*>]|\d+\.)\s+/, "")
    .replace(/<[A-Z]\w* [^>]*\/>/g, "…")
    .replace(/<\/?[A-Z][^>]*>/g, "")
    .replace(/\[([^\]]*)\]\([^)]*\)/g, "$1")
    .replace(/[*`]/g, "")
    .split("|")
    .map((cell) => cell.trim());

/** @returns the sentences of a page of the handbook */
export function sentencesOfPage(source: string, file: string): Sentence[] {
  return source.split("\n").flatMap((text, i) =>
    /^(import|export|<)/.test(text)
      ? []
      : plainLine(text)
          .filter(isProse)
          .flatMap(sentencesOf)
          .map((words) => ({ file, line: i + 1, words })),
  );
}

/** @returns every sentence of the app, file by file */
export const allSentences = (): Sentence[] =>
  ROOMS.flatMap((room) => filesIn(join(ROOT, room))).flatMap((path) =>
    (path.endsWith(".mdx") ? sentencesOfPage : sentencesIn)(readFileSync(path, "utf8"), relative(ROOT, path)),
  );

export const wordCount = (words: string): number =>
  words.split(/\s+/).filter((word) => /[\p{L}\d…]/u.test(word)).length;

export const isLong = ({ words }: Sentence): boolean => wordCount(words) > MOST_WORDS;
export const isRiddle = ({ words }: Sentence): boolean => RIDDLES.test(words);
export const namesOtherZone = ({ words }: Sentence): boolean => OTHER_ZONES.test(words);
export const hasOtherDoubt = ({ words }: Sentence): boolean => OTHER_DOUBT.test(words);
