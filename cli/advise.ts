/** `advise FILE`: the card, the next step and what is believed, from an exported log. */
import { fold } from "#core/log/fold.ts";
import { readLogFile } from "#core/log/read-file.ts";
import { checkBuild } from "#core/rig/check-build.ts";
import { advise } from "#core/advice/advise.ts";
import { BadInput, readArguments, readInputFile } from "./input.ts";

/** @returns advice in SI and log ratios; @throws {BadInput | RangeError} on bad input */
export function adviseCommand(args: string[]): unknown {
  const { values, positionals } = readArguments(args, ["rig"]);
  if (positionals.length > 1) throw new BadInput(`advise takes one file, got ${positionals.length}`);
  const read = readLogFile(readInputFile(positionals[0], "advise"));
  if (!read.ok) throw new BadInput(read.problem.message);
  const { rigs } = read.file;
  const wanted = values["rig"];
  const candidates = wanted === undefined ? rigs : rigs.filter(({ header }) => header.id === wanted);
  const [rig] = candidates;
  if (!rig || candidates.length > 1)
    throw new BadInput(`say which rig with --rig: ${rigs.map(({ header }) => header.id).join(", ")}`);
  for (const entry of rig.entries) if (entry.kind === "build") checkBuild(entry.build);
  const { card, next, zones, warnings, surprises, air, leanings, buy } = advise(rig.entries);
  const { held } = fold(rig.entries);
  return { rig: rig.header.id, held, card, next, zones, warnings, surprises, air, leanings, buy };
}
