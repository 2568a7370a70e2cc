/** The card's four rows: what is fitted, what to fit, how sure, and what a step of it is worth. */
import type { Zone } from "../carburettor/zones.ts";
import type { Part } from "../log/parts.ts";
import type { Setting } from "../log/schema.ts";
import type { BestSetting } from "./card.ts";
import type { Choices, ScrewWindow } from "./choices.ts";
import { chanceRight, type SettingJudge } from "./judge-setting.ts";
import { chanceAbove } from "./loss.ts";

export interface CardRow {
  readonly part: Part;
  readonly from: number;
  readonly to: number;
  /** the zone this part rules */
  readonly zone: Zone;
  /** chance that this value is right for its zone */
  readonly chance: number;
  /** what one step up from `to` does to its zone, + leaner; at the end of its travel, what the last one did */
  readonly stepEffect: number;
}

export const RULES: Readonly<Record<Part, Zone>> = {
  pilot: "idle",
  screwTurns: "idle",
  clip: "mid",
  shimMm: "mid",
  main: "top",
};

/** Chance that the screw can bring the idle right inside its window: then the pilot jet is right. */
function pilotChance({ judgeWith, belief }: SettingJudge, setting: Setting, window: ScrewWindow): number {
  const above = (turns: number) =>
    chanceAbove(0, judgeWith(belief, { ...setting, screwTurns: turns }).zones.idle);
  return Math.abs(above(window.to) - above(window.from));
}

function stepEffect({ judge }: SettingJudge, options: Choices, setting: Setting, part: Part): number {
  const zone = RULES[part];
  const values = options[part];
  const i = values.indexOf(setting[part]);
  const mean = (value: number) => judge({ ...setting, [part]: value }).zones[zone].mean;
  const [below, at, above] = [values[i - 1], setting[part], values[i + 1]];
  if (above !== undefined) return mean(above) - mean(at);
  return below === undefined ? 0 : mean(at) - mean(below);
}

/** @returns rows for pilot, screw, clip and main, and one for shims where the rig has any */
export function cardRows(
  judge: SettingJudge,
  options: Choices,
  fitted: Setting,
  card: BestSetting,
  window: ScrewWindow,
): CardRow[] {
  const parts: Part[] = [
    "pilot",
    "screwTurns",
    "clip",
    ...(options.shimMm.length > 1 ? ["shimMm" as const] : []),
    "main",
  ];
  return parts.map((part) => ({
    part,
    from: fitted[part],
    to: card.setting[part],
    zone: RULES[part],
    chance:
      part === "pilot" ? pilotChance(judge, card.setting, window) : chanceRight(card.zones[RULES[part]]),
    stepEffect: stepEffect(judge, options, card.setting, part),
  }));
}
