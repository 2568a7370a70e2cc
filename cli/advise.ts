/** `advise FILE`: the card, the next step and what is believed, from an exported log. */
import { adviseOn, type Advice } from "#core/advice/card/advise.ts";
import { openCase, type Case } from "#core/advice/judge/case.ts";
import { publishedFaults, publishedNext } from "#core/advice/card/published.ts";
import { readLogFile } from "#core/log/read-file.ts";
import { adviceGroups } from "#core/rig/carburettors.ts";
import { fileProblem } from "#core/rig/check-file.ts";
import { BadInput, readArguments, readInputFile } from "./input.ts";

function published(advice: Advice): object {
  const {
    carburettors,
    fitted,
    card,
    zones,
    warnings,
    surprises,
    air,
    leanings,
    buy,
    question,
    claims,
    instruments,
    worths,
  } = advice;
  return {
    carburettors: carburettors.map((one) => one + 1),
    fitted,
    card,
    next: publishedNext(advice),
    zones,
    warnings,
    surprises,
    faults: publishedFaults(advice),
    ...(question !== undefined && { question }),
    claims,
    instruments,
    worths,
    air,
    leanings,
    buy,
  };
}

/** One object while all carburettors are set alike, a list of groups once they differ. */
function adviceOf(open: Case): object {
  const groups = adviceGroups(open.build, open.present.settings);
  const all = groups.map(([first]) => published(adviseOn(open, undefined, first)));
  const [only] = all;
  return all.length === 1 && only ? only : { groups: all };
}

/** @returns advice in SI and log ratios; @throws {BadInput | RangeError} on bad input */
export function adviseCommand(args: string[]): unknown {
  const { values, positionals } = readArguments(args, ["rig", "now"]);
  if (positionals.length > 1) throw new BadInput(`advise takes one file, got ${positionals.length}`);
  const read = readLogFile(readInputFile(positionals[0], "advise"));
  if (!read.ok) throw new BadInput(read.problem.message);
  const problem = fileProblem(read.file);
  if (problem) throw new BadInput(problem.message);
  const { rigs } = read.file;
  const wanted = values["rig"];
  const candidates = wanted === undefined ? rigs : rigs.filter(({ header }) => header.id === wanted);
  const [rig] = candidates;
  if (!rig || candidates.length > 1)
    throw new BadInput(`say which rig with --rig: ${rigs.map(({ header }) => header.id).join(", ")}`);
  const now = values["now"];
  if (now !== undefined && Number.isNaN(Date.parse(now)))
    throw new BadInput(`--now must be a date and time such as 2026-05-23T14:00:00+02:00, got "${now}"`);
  const open = openCase(rig.entries, { messages: rig.instruments ?? [], ...(now !== undefined && { now }) });
  return { rig: rig.header.id, held: open.present.held, ...adviceOf(open) };
}
