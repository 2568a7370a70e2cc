/** What is answered "yes" on this engine, were it only badly jetted: some of it follows from its mixture. */
import { lineOver } from "../belief/layout.ts";
import type { Replayed } from "../belief/replay.ts";
import type { Zone } from "../carburettor/zones.ts";
import type { Present } from "../log/present.ts";
import { dot, quadratic } from "../numbers/linear.ts";
import { normalCdf } from "../numbers/normal.ts";
import { settingFromLog } from "../rig/from-build.ts";
import { YES_WHEN_JETTING, type UsualYes } from "./questions.ts";

const ZONES_FELT = ["idle", "mid", "top"] as const satisfies readonly Zone[];
/** So far off a zone is felt to be off. */
const FELT_FROM = 0.04;
/** Of an engine that is off alike everywhere so many say so, and of any other. */
const SAID_ALIKE = { yes: 0.75, no: 0.15 } as const;

/** @returns chance that all of it is felt to be lean, or all of it rich, with what is fitted now */
function chanceAlike(present: Present, { mixtureOf, joint, layout }: Replayed): number {
  const { setting, settings, knownBuilds, air } = present;
  if (!setting) return 0;
  const lines = settings.map((one, carburettor) =>
    mixtureOf(knownBuilds.length - 1, carburettor, air)(settingFromLog(one)),
  );
  const cylinders = Array.from({ length: layout.cylinders }, (_, c) => c);
  const sides = ZONES_FELT.map((zone) => {
    const at = new Map(
      cylinders.flatMap((c) => {
        const line = (lines[c] ?? lines[0])?.[zone];
        return line ? [[c, line] as const] : [];
      }),
    );
    const { shift, row } = lineOver(at, layout);
    const [mean, sd] = [
      shift + dot(row, joint.mean),
      Math.sqrt(Math.max(1e-12, quadratic(joint.covariance, row))),
    ];
    return { lean: normalCdf((mean - FELT_FROM) / sd), rich: normalCdf((-FELT_FROM - mean) / sd) };
  });
  const all = (side: "lean" | "rich") => sides.reduce((chance, one) => chance * one[side], 1);
  return all("lean") + all("rich");
}

export function usualYes(present: Present, replayed: Replayed): UsualYes {
  const { yes, no } = SAID_ALIKE;
  return { ...YES_WHEN_JETTING, everywhereAlike: no + (yes - no) * chanceAlike(present, replayed) };
}
