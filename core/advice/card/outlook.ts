/** How the advice would change: the next step after each tone that a plug in one zone could show. */
import type { ReplayOptions } from "../../belief/replay.ts";
import type { Zone } from "../../carburettor/zones.ts";
import { TONES, type Tone } from "../../log/parts.ts";
import type { Entry } from "../../log/schema.ts";
import { adviseOn, type Advice } from "./advise.ts";
import { openCaseWith, type Case } from "../judge/case.ts";

export interface Outlook {
  readonly tone: Tone;
  readonly advice: Advice;
}

/**
 * @param zone - where a clean plug would be read next
 * @returns the advice after each of the seven tones, leanest first
 * @throws {RangeError} as {@link openCaseWith}
 */
export function outlook(opened: Case, zone: Zone, options: ReplayOptions = {}): Outlook[] {
  const at = opened.present.newest ?? "2026-01-01T00:00:00Z";
  return TONES.map((tone) => {
    const reading = { type: "plug", zone, tone, cut: "clean", colderSteps: 0 } as const;
    const look: Entry = { id: "look:outlook", at, kind: "look", reading };
    return { tone, advice: adviseOn(openCaseWith(opened, [look], options)) };
  });
}
