/** Prints every sentence, screen by screen, with its file, marked where it breaks a rule: `npm run sentences`. */
import {
  allSentences,
  hasOtherDoubt,
  isLong,
  isRiddle,
  namesOtherZone,
  screenOf,
  wordCount,
} from "./sentences.ts";

const sentences = allSentences();
const RULES = [
  ["L", isLong],
  ["R", isRiddle],
  ["Z", namesOtherZone],
  ["D", hasOtherDoubt],
] as const;
const screens = [...new Set(sentences.map(({ file }) => screenOf(file)))].sort();
for (const screen of screens) {
  console.log(`\n${screen}`);
  for (const sentence of sentences.filter(({ file }) => screenOf(file) === screen)) {
    const marks = RULES.map(([mark, breaks]) => (breaks(sentence) ? mark : " ")).join("");
    console.log(`${marks} ${sentence.file}:${sentence.line}  ${sentence.words}`);
  }
}
const lengths = sentences.map(({ words }) => wordCount(words)).sort((a, b) => a - b);
console.log(
  `${sentences.length} sentences; median ${lengths[Math.floor(lengths.length / 2)] ?? 0} words, longest ${lengths.at(-1) ?? 0}; ` +
    `${sentences.filter(isLong).length} over twenty, ${sentences.filter(isRiddle).length} riddles`,
);
