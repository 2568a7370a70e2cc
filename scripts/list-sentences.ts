/** Prints every sentence with its file, marked where it breaks a rule: `npm run sentences`. */
import { allSentences, isLong, isRiddle, wordCount } from "./sentences.ts";

const sentences = allSentences();
for (const sentence of sentences) {
  const marks = `${isLong(sentence) ? "L" : " "}${isRiddle(sentence) ? "R" : " "}`;
  console.log(`${marks} ${sentence.file}:${sentence.line}  ${sentence.words}`);
}
const lengths = sentences.map(({ words }) => wordCount(words)).sort((a, b) => a - b);
console.log(
  `${sentences.length} sentences; median ${lengths[Math.floor(lengths.length / 2)] ?? 0} words, longest ${lengths.at(-1) ?? 0}; ` +
    `${sentences.filter(isLong).length} over twenty, ${sentences.filter(isRiddle).length} riddles`,
);
