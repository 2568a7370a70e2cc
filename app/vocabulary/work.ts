/** Work on the machine, and the doubts it brings back, in words. */
import { reopenedBy, type WorkName } from "#core/log/epochs.ts";

export const WORK_WORDS: Readonly<Record<WorkName, string>> = {
  pilotCleaned: "Pilot side cleaned",
  pilotDrilled: "Pilot jet drilled",
  needleReplaced: "Needle replaced",
  needleJetReplaced: "Needle jet replaced",
  mainCleaned: "Main side cleaned",
  mainDrilled: "Main jet drilled",
  allCleaned: "Whole carburettor cleaned",
  floatSet: "Float or its valve set",
  slideReplaced: "Slide replaced",
  leakCured: "Air leak cured",
  pipeChanged: "Pipe changed",
  filterChanged: "Filter changed",
  lidChanged: "Air-box lid on or off",
  engineRebuilt: "Engine rebuilt",
  plugReplaced: "Plug replaced",
};

const PATHS = {
  pilot: "the pilot",
  needle: "the needle",
  main: "the main jet",
  zones: "the engine’s own shape",
  air: "how it takes other air",
} as const;

/** @returns which doubts come back: `Brings back doubt about the pilot and the needle.` */
export function reopensWords(what: WorkName): string {
  const paths = reopenedBy(what).map((path) => PATHS[path]);
  if (paths.length === 0) return "Brings back no doubt: everything learnt stays.";
  const last = paths.at(-1) ?? "";
  const list = paths.length === 1 ? last : `${paths.slice(0, -1).join(", ")} and ${last}`;
  return `Brings back doubt about ${list}; the next looks settle it again.`;
}
