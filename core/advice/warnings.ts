/** What a tuner must be told besides the advice: danger, stops at the end of a part's travel, doubtful air. */
import { looksLikeSeaLevel } from "../air/barometer.ts";
import type { HumidAir } from "../air/humid-air.ts";
import { LEAN_LIMIT, ZONES, type Zone } from "../carburettor/zones.ts";
import type { Carburettor } from "../carburettor/carburettor.ts";
import { correctedJetNumber } from "../carburettor/jet.ts";
import type { HeatRangeSays } from "../looks/heat-range.ts";
import type { OpenChange, Present } from "../log/fold.ts";
import type { Part, PlugFinding } from "../log/parts.ts";
import type { AirEntry } from "../log/schema.ts";
import type { CheckName } from "../log/walk-round-names.ts";
import type { BestSetting } from "./card.ts";
import type { Choices, ScrewWindow } from "./choices.ts";
import type { Outlier } from "./departures.ts";
import { chanceRight, CONTENT, MOST_LEAN_RISK, type Judged, type SettingJudge } from "./judge-setting.ts";

export type Warning =
  /** of the engine, or of the leanest of its cylinders */
  | { readonly code: "leanRisk"; readonly chance: number; readonly cylinder?: number }
  | { readonly code: "noneRichEnough"; readonly wantedMain: number }
  | { readonly code: "inseparable"; readonly parts: readonly Part[] }
  | { readonly code: "screwAtStop"; readonly turns: number; readonly wantedPilot: number }
  | { readonly code: "clipAtEnd"; readonly clip: number; readonly wants: "richer" | "leaner" }
  | { readonly code: "mainAtStop"; readonly main: number; readonly wantedMain: number }
  /** one cylinder departs by more than the same jets explain: its cause comes before any jet */
  | ({ readonly code: "cylinderDiffers" } & Outlier)
  /** nothing in the box brings this zone right: another needle, slide or needle jet would */
  | { readonly code: "outOfReach"; readonly zone: Zone; readonly mean: number }
  /** a class rule keeps these parts from being changed, and that costs something */
  | { readonly code: "ruleInTheWay"; readonly parts: readonly Part[] }
  /** jetted on although these checks of the walk-round say stop */
  | { readonly code: "walkRound"; readonly checks: readonly CheckName[]; readonly reason: string }
  /** on the newest plug, besides its tone; specks of metal are a stop of their own */
  | { readonly code: "plugFinding"; readonly finding: PlugFinding }
  /** the newest plug's strap and porcelain disagree: its heat range comes before any jet */
  | { readonly code: "plugHeatRange"; readonly says: HeatRangeSays }
  | { readonly code: "noAir" }
  | { readonly code: "seaLevelSuspected"; readonly pressurePa: number; readonly elevationM: number }
  | { readonly code: "extrapolatedAir" }
  | { readonly code: "unsettled" };

/** So many sds below the lean limit, a normal belief has the risk that MOST_LEAN_RISK allows: 5 %. */
const SAFE_SDS = 1.645;
/** Errors smaller than this do not make a stop worth a word. */
const WORTH_A_WORD = 0.02;

/** A zone less likely right than this, on the best card there is, is out of reach of the box. */
const HOPELESS = 0.2;

/** The zone that a part at its stop leaves wrong: no need to say it twice. */
const STOP_ZONE: Readonly<Partial<Record<Warning["code"], Zone>>> = {
  screwAtStop: "idle",
  clipAtEnd: "mid",
  mainAtStop: "top",
};

interface Known {
  readonly judge: SettingJudge;
  readonly carburettor: Carburettor;
  readonly options: Choices;
  readonly window: ScrewWindow;
  readonly now: Judged;
  readonly card: BestSetting;
  readonly air: HumidAir;
  readonly airEntry: AirEntry | undefined;
  readonly openChange: OpenChange | undefined;
  readonly converged: boolean;
  readonly ruled: readonly Part[];
  readonly overridden: Present["overridden"];
  readonly outliers: readonly Outlier[];
  readonly findings: readonly PlugFinding[];
  readonly heatRange: HeatRangeSays | undefined;
}

function wantedJet(
  number: number,
  error: number,
  authority: number,
  by: Carburettor["mainNumbering"],
): number {
  return Math.round(correctedJetNumber(number, Math.exp(error / Math.max(authority, 0.05)), by) * 10) / 10;
}

/** Parts at the end of their travel on the card, where their zone is still off. */
function stops({ judge, carburettor, options, window, card }: Known): Warning[] {
  const { setting, zones } = card;
  const lines = judge.lines(setting);
  const off = (zone: "idle" | "mid" | "top") =>
    chanceRight(zones[zone]) < CONTENT && Math.abs(zones[zone].mean) > WORTH_A_WORD;
  const found: Warning[] = [];
  if (off("idle") && (setting.screwTurns <= window.from || setting.screwTurns >= window.to)) {
    const wantedPilot = wantedJet(
      setting.pilot,
      zones.idle.mean,
      lines.idle.authority.pilot,
      carburettor.pilotNumbering,
    );
    found.push({ code: "screwAtStop", turns: setting.screwTurns, wantedPilot });
  }
  if (off("mid") && (setting.clip === 1 || setting.clip === carburettor.needle.grooves))
    found.push({ code: "clipAtEnd", clip: setting.clip, wants: zones.mid.mean > 0 ? "richer" : "leaner" });
  if (off("top") && (setting.main === options.main[0] || setting.main === options.main.at(-1))) {
    const wantedMain = wantedJet(
      setting.main,
      zones.top.mean,
      lines.top.authority.main,
      carburettor.mainNumbering,
    );
    found.push({ code: "mainAtStop", main: setting.main, wantedMain });
  }
  const atStop = new Set(found.map((warning) => STOP_ZONE[warning.code]));
  for (const zone of ZONES)
    if (chanceRight(zones[zone]) < HOPELESS && !atStop.has(zone))
      found.push({ code: "outOfReach", zone, mean: zones[zone].mean });
  return found;
}

function danger({ judge, carburettor, now, card }: Known): Warning[] {
  const found: Warning[] = [];
  if (now.leanRisk > MOST_LEAN_RISK) {
    const { leanRisk: chance, leanest: cylinder } = now;
    found.push({ code: "leanRisk", chance, ...(cylinder !== undefined && { cylinder }) });
  }
  if (!card.safe) {
    const { top } = card.zones;
    const over = top.mean + SAFE_SDS * top.sd - LEAN_LIMIT.top;
    const { authority } = judge.lines(card.setting).top;
    const wantedMain = wantedJet(card.setting.main, over, authority.main, carburettor.mainNumbering);
    found.push({ code: "noneRichEnough", wantedMain });
  }
  return found;
}

function aboutAir({ air, airEntry }: Known): Warning[] {
  if (!airEntry) return [{ code: "noAir" }];
  const found: Warning[] = [];
  const { elevationM, pressure } = airEntry;
  if (
    pressure.kind === "station" &&
    elevationM !== undefined &&
    looksLikeSeaLevel(pressure.pressurePa, elevationM)
  )
    found.push({ code: "seaLevelSuspected", pressurePa: pressure.pressurePa, elevationM });
  if (air.extrapolated) found.push({ code: "extrapolatedAir" });
  return found;
}

/** @returns what to say, the gravest first */
export function warnings(known: Known): Warning[] {
  const { openChange, converged, ruled, overridden, outliers, findings, heatRange } = known;
  return [
    ...danger(known),
    ...(overridden ? [{ code: "walkRound" as const, ...overridden }] : []),
    ...findings
      .filter((finding) => finding !== "specks")
      .map((finding) => ({ code: "plugFinding" as const, finding })),
    ...(heatRange ? [{ code: "plugHeatRange" as const, says: heatRange }] : []),
    ...outliers.map((outlier) => ({ code: "cylinderDiffers" as const, ...outlier })),
    ...(openChange && openChange.parts.length > 1
      ? [{ code: "inseparable" as const, parts: openChange.parts }]
      : []),
    ...(ruled.length > 0 ? [{ code: "ruleInTheWay" as const, parts: ruled }] : []),
    ...stops(known),
    ...aboutAir(known),
    ...(converged ? [] : [{ code: "unsettled" as const }]),
  ];
}
