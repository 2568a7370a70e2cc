/** Numbers of the bench for the pages that quote them: read by the build from the tables in docs/judgement.md. */
import { readFileSync } from "node:fs";

export interface BenchNumbers {
  /** engines nobody knows, with plugs and the idle bench: who decides, stops, share that ends right, lean rides */
  readonly schools: readonly {
    readonly who: string;
    readonly stops: string;
    readonly right: string;
    readonly lean: string;
  }[];
  /** what the card said of a zone, how often, how many were so */
  readonly calibration: readonly { readonly said: string; readonly times: string; readonly right: string }[];
}

/** @returns the cells of the table's rows below a heading; @throws {Error} where there is none */
function tableBelow(text: string, heading: string): string[][] {
  const from = text.indexOf(`\n## ${heading}\n`);
  const rows = from === -1 ? undefined : /\n(\|[^\n]+\n)+/.exec(text.slice(from))?.[0];
  if (rows === undefined) throw new Error(`docs/judgement.md has no table under “${heading}”`);
  return rows
    .trim()
    .split("\n")
    .slice(2)
    .map((row) =>
      row
        .split("|")
        .slice(1, -1)
        .map((cell) => cell.trim()),
    );
}

/** @returns what the tables say; @throws {Error} where a table is not as it was */
export function benchNumbers(text: string): BenchNumbers {
  const schools = tableBelow(text, "An engine nobody knows")
    .filter(([looks]) => looks === "plug + idle")
    .map(([, who = "", looks = "", , , right = "", , , , , , lean = ""]) => ({
      who,
      stops: looks,
      right,
      lean,
    }));
  const calibration = tableBelow(text, "Is what is called likely so?").map(
    ([said = "", times = "", , right = ""]) => ({
      said,
      times,
      right,
    }),
  );
  if (schools.length !== 3 || calibration.length < 4)
    throw new Error("a table of docs/judgement.md has changed its shape");
  return { schools, calibration };
}

export const loader = () => benchNumbers(readFileSync("docs/judgement.md", "utf8"));
