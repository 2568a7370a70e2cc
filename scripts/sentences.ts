/**
 * Every sentence of the screens, with its place and file: `npm run sentences`. Read from the source as it is written:
 * what is put in at run time stands as `…`. What breaks a rule of how we write is marked.
 */
import { readdirSync, readFileSync } from "node:fs";
import { join, relative } from "node:path";
import { fileURLToPath } from "node:url";
import ts from "typescript";

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

const ROOT = fileURLToPath(new URL("../", import.meta.url));
const ROOMS = ["app", "cli", "demo"];
const NO_WORDS = /[\\/](testing|theme)[\\/]|\.(test|worker)\.tsx?$|\.css$/;

function filesIn(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return filesIn(path);
    return /\.tsx?$/.test(path) && !NO_WORDS.test(path) ? [path] : [];
  });
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

/** @returns every sentence of the app, file by file */
export const allSentences = (): Sentence[] =>
  ROOMS.flatMap((room) => filesIn(join(ROOT, room))).flatMap((path) =>
    sentencesIn(readFileSync(path, "utf8"), relative(ROOT, path)),
  );

export const wordCount = (words: string): number =>
  words.split(/\s+/).filter((word) => /[\p{L}\d…]/u.test(word)).length;

export const isLong = ({ words }: Sentence): boolean => wordCount(words) > MOST_WORDS;
export const isRiddle = ({ words }: Sentence): boolean => RIDDLES.test(words);
