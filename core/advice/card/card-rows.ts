/**
 * The card’s rows: fitted value, value to fit, probability that it is best, and the effect of one step on this engine.
 */
import type { Part } from "../../log/parts.ts";
import type { Setting } from "../../log/schema.ts";
import type { Choices } from "../plan/choices.ts";
import type { Judged, ReachedZone, SettingJudge } from "../judge/judge-setting.ts";
import { RULES } from "../plan/moves.ts";

export interface CardRow {
  readonly part: Part;
  readonly from: number;
  readonly to: number;
  /** the zone this part rules */
  readonly zone: ReachedZone;
  /** chance that its zone is right with the card fitted: of the worst cylinder where there are several */
  readonly chance: number;
  /** what one step up from `to` does to its zone, + leaner; at the end of its travel, what the last one did */
  readonly stepEffect: number;
  /** the same by its measures alone */
  readonly asComputed: number;
}

function stepEffect(
  errorOf: (setting: Setting, zone: ReachedZone) => number,
  options: Choices,
  setting: Setting,
  part: Part,
): number {
  const zone = RULES[part];
  const values = options[part];
  const i = values.indexOf(setting[part]);
  const mean = (value: number) => errorOf({ ...setting, [part]: value }, zone);
  const [below, at, above] = [values[i - 1], setting[part], values[i + 1]];
  if (above !== undefined) return mean(above) - mean(at);
  return below === undefined ? 0 : mean(at) - mean(below);
}

/** @returns rows for pilot, screw, clip and main, and one for shims where the rig has any */
export function cardRows(judge: SettingJudge, options: Choices, fitted: Setting, card: Judged): CardRow[] {
  const parts: Part[] = [
    "pilot",
    "screwTurns",
    "clip",
    ...(options.shimMm.length > 1 ? ["shimMm" as const] : []),
    "main",
  ];
  const believed = (setting: Setting, zone: ReachedZone) => judge.judge(setting).zones[zone].mean;
  const computed = (setting: Setting, zone: ReachedZone) => judge.lines(setting)[zone].shift;
  return parts.map((part) => ({
    part,
    from: fitted[part],
    to: card.setting[part],
    zone: RULES[part],
    chance: card.right[RULES[part]],
    stepEffect: stepEffect(believed, options, card.setting, part),
    asComputed: stepEffect(computed, options, card.setting, part),
  }));
}
