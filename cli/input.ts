/** Reading what a command was given. */
import { readFileSync, statSync } from "node:fs";
import { parseArgs } from "node:util";
import { checkFileSize } from "#core/log/read-file.ts";

/** Something the caller can mend: one line, exit code 2. */
export class BadInput extends Error {}

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** @param names - options that take a value; @returns their texts and the words that are no options */
export function readArguments(args: readonly string[], names: readonly string[]) {
  try {
    const options = Object.fromEntries(names.map((name) => [name, { type: "string" as const }]));
    // A negative number is a value, not an option: join it to its name before the parser sees it.
    const joined: string[] = [];
    for (const word of args) {
      const before = joined.at(-1);
      if (before?.startsWith("--") && !before.includes("=") && /^-[\d.,]/.test(word))
        joined[joined.length - 1] = `${before}=${word}`;
      else joined.push(word);
    }
    const { values, positionals } = parseArgs({
      args: joined,
      options,
      allowPositionals: true,
      strict: true,
    });
    return { values: values as Readonly<Record<string, string | undefined>>, positionals };
  } catch (error) {
    throw new BadInput(messageOf(error));
  }
}

/** @throws {BadInput} if the file is missing, unreadable or far too large to be a log */
export function readInputFile(path: string | undefined, command: string): string {
  if (path === undefined)
    throw new BadInput(`${command} needs a file: npm run --silent cli -- ${command} FILE`);
  try {
    const tooLarge = checkFileSize(statSync(path).size);
    if (tooLarge) throw new BadInput(`${path}: ${tooLarge.message}`);
    return readFileSync(path, "utf8");
  } catch (error) {
    if (error instanceof BadInput) throw error;
    throw new BadInput(`${path} cannot be read: ${messageOf(error)}`);
  }
}
