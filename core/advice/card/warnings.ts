/** What a tuner must be told besides the advice: danger, stops at the end of a part's travel, doubtful air. */
import { looksLikeSeaLevel } from "../../air/barometer.ts";
import type { HumidAir } from "../../air/humid-air.ts";
import type { WeighedClaim } from "../../belief/claims.ts";
import { isDoubted } from "../../belief/doubted-claim.ts";
import { SURPRISING } from "../../belief/update.ts";
import { LEAN_LIMIT, ZONES, type Zone } from "../../carburettor/zones.ts";
import { correctedJetNumber, type JetNumbering } from "../../carburettor/jet.ts";
import type { Part, PlugFinding } from "../../log/parts.ts";
import type { AirEntry } from "../../log/schema.ts";
import type { CheckName } from "../../log/walk-round-names.ts";
import { numberingFromLog } from "../../rig/from-build.ts";
import type { HeatRangeSays } from "../../looks/heat-range.ts";
import { judgeOf, type Case, type Group } from "../judge/case.ts";
import { lockedParts, screwWindow } from "../plan/choices.ts";
import { cylinderReports, outliersAmong, type Outlier } from "../judge/departures.ts";
import { sizeBeyond } from "../parts/jet-steps.ts";
import {
  chanceRight,
  CONTENT,
  REACHED_ZONES,
  spreadOf,
  type Judged,
  type ReachedZone,
} from "../judge/judge-setting.ts";
import type { NewestPlugs } from "./newest-plugs.ts";
import type { Plan } from "../plan/plan.ts";
import type { LookQuestion } from "../ride/next-look.ts";
import { caseWithoutFile, unexplainedLean, type UnexplainedLean } from "../plan/unexplained-lean.ts";
import { worthsOf, type Worth } from "../judge/step-worths.ts";
import { LEAST_EFFECT } from "../plan/moves.ts";
import { HOPELESS } from "../plan/reach.ts";
import { rulesInTheWay } from "../plan/rules-in-the-way.ts";

export type Warning =
  /** of the engine, or of the leanest of its cylinders */
  | { readonly code: "leanRisk"; readonly chance: number; readonly cylinder?: number }
  | { readonly code: "noneRichEnough"; readonly wantedMain: number }
  /** a logger's file alone leans the top, further than could be believed without it: asked before it is fitted */
  | ({ readonly code: "fileLeansTop"; readonly file: string; readonly lambda?: number } & UnexplainedLean)
  /** on one setting one plug was pale and one dark: neither may be built on */
  | { readonly code: "plugsContradict"; readonly zone: Zone }
  /** what was seen says that a word of a right setting is of another engine */
  | ({ readonly code: "wordDoubted" } & Pick<WeighedClaim, "how" | "at" | "chance">)
  /** a look shows a lean top, all else says otherwise, and the plan leans it: somebody looks again before it is fitted */
  | { readonly code: "lookSaysLean"; readonly lookId: string; readonly leaned: number }
  /** the screw is at the end of its window and the pilot jets of the box do not do it either */
  | { readonly code: "screwAtStop"; readonly turns: number; readonly wantedPilot: number }
  | { readonly code: "clipAtEnd"; readonly clip: number; readonly wants: "richer" | "leaner" }
  /** the box ends, and the top wants to go on in that direction */
  | { readonly code: "mainAtStop"; readonly main: number; readonly wantedMain: number }
  /** one cylinder departs by more than the same jets explain: its cause comes before any jet */
  | ({ readonly code: "cylinderDiffers" } & Outlier)
  /** nothing in the box brings this zone right: another part would, of what rules there most */
  | {
      readonly code: "outOfReach";
      readonly zone: Zone;
      readonly mean: number;
      readonly ruledBy: "pilot" | "needle" | "main";
    }
  /** a step of it is worth so much of what is computed that it was not measured right */
  | { readonly code: "notAsMeasured"; readonly part: Worth["part"]; readonly factor: number }
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

interface Known extends NewestPlugs {
  readonly open: Case;
  readonly group: Group;
  readonly question: LookQuestion;
  readonly plan: Plan;
  readonly now: Judged;
  readonly air: HumidAir;
  readonly airEntry: AirEntry | undefined;
  /** zones in which plugs exclude each other */
  readonly contradicted: ReadonlySet<Zone>;
}

const wantedJet = (number: number, error: number, authority: number, by: JetNumbering): number =>
  correctedJetNumber(number, Math.exp(error / Math.max(authority, 0.05)), by);

/** The parts of each zone at the end of their travel on the card, while the zone wants to go on that way. */
function stops({ question, plan, group }: Known): Warning[] {
  const { judge, options, build } = question;
  const { setting, zones } = plan.card;
  const locked = lockedParts(build);
  const lines = judge.lines(setting);
  const { carburettor } = build;
  const wants = (zone: ReachedZone): "richer" | "leaner" | undefined => {
    const { mean } = zones[zone];
    if (chanceRight(zones[zone]) >= CONTENT || Math.abs(mean) <= WORTH_A_WORD) return undefined;
    return mean > 0 ? "richer" : "leaner";
  };
  const found: Warning[] = [];
  const window = screwWindow(group.build);
  const idle = wants("idle");
  const outIsRicher = carburettor.screw === "fuel";
  const screwEnds =
    (idle === "richer") === outIsRicher ? setting.screwTurns >= window.to : setting.screwTurns <= window.from;
  const pilotEnd = idle === "richer" ? options.pilot.at(-1) : options.pilot[0];
  if (idle && screwEnds && setting.pilot === pilotEnd && !locked.includes("pilot")) {
    const by = numberingFromLog(carburettor.pilotNumbering);
    const wanted = wantedJet(setting.pilot, zones.idle.mean, lines.idle.authority.pilot, by);
    found.push({
      code: "screwAtStop",
      turns: setting.screwTurns,
      wantedPilot: sizeBeyond(options.pilot, wanted),
    });
  }
  const mid = wants("mid");
  const clipEnd = mid === "richer" ? options.clip.at(-1) : options.clip[0];
  if (mid && setting.clip === clipEnd && !locked.includes("clip"))
    found.push({ code: "clipAtEnd", clip: setting.clip, wants: mid });
  const top = wants("top");
  const mainEnd = top === "richer" ? options.main.at(-1) : options.main[0];
  if (top && plan.safe && setting.main === mainEnd && !locked.includes("main")) {
    const by = numberingFromLog(carburettor.mainNumbering);
    const wanted = wantedJet(setting.main, zones.top.mean, lines.top.authority.main, by);
    found.push({ code: "mainAtStop", main: setting.main, wantedMain: sizeBeyond(options.main, wanted) });
  }
  const named = { screwAtStop: "idle", clipAtEnd: "mid", mainAtStop: "top" } as const;
  const atStop = new Set(found.map(({ code }) => named[code as keyof typeof named]));
  for (const zone of [...REACHED_ZONES, "low" as const])
    if (chanceRight(zones[zone]) < HOPELESS && !atStop.has(zone as ReachedZone)) {
      const { pilot, needle, main } = lines[zone].authority;
      const most = Math.max(pilot, needle, main);
      const ruledBy = most === pilot ? "pilot" : most === needle ? "needle" : "main";
      found.push({ code: "outOfReach", zone, mean: zones[zone].mean, ruledBy });
    }
  return found;
}

/** The danger is that of the leanest cylinder, and so is the jet that would end it. */
function danger({ question, plan, now, group, contradicted }: Known): Warning[] {
  const { judge, isSafe, options, build } = question;
  const found: Warning[] = [];
  if (!isSafe(now)) {
    const { leanRisk: chance, leanest: cylinder } = now;
    found.push({ code: "leanRisk", chance, ...(cylinder !== undefined && { cylinder }) });
  }
  if (!plan.safe && !contradicted.has("top")) {
    const richest = { ...group.fitted, main: options.main.at(-1) ?? group.fitted.main };
    const at = judge.judge(richest);
    const belief = judge.beliefs.each.find(({ cylinder }) => cylinder === at.leanest)?.belief;
    const top = belief ? spreadOf(belief, judge.lines(richest).top) : at.zones.top;
    const over = Math.max(0, top.mean + SAFE_SDS * top.sd - LEAN_LIMIT.top);
    const by = numberingFromLog(build.carburettor.mainNumbering);
    const { authority } = judge.lines(richest).top;
    const wanted = wantedJet(richest.main, over, authority.main, by);
    found.push({ code: "noneRichEnough", wantedMain: sizeBeyond(options.main, wanted) });
  }
  return found;
}

/** So many sds on its rich side an engine may be believed before a file says so. */
const BELIEVABLE_SDS = 2;

/** What was known of the engine without the newest file, against what the plan would fit because of it. */
function aboutFile({ open, group, plan, air }: Known): Warning[] {
  if (!plan.lines.some(({ effect }) => effect.top >= LEAST_EFFECT)) return [];
  const without = caseWithoutFile(open);
  const odd =
    without &&
    unexplainedLean(judgeOf(without.open, group, air), group.fitted, plan.card.setting, BELIEVABLE_SDS);
  if (!odd) return [];
  const { file, lambda } = without;
  return [{ code: "fileLeansTop", file, ...(lambda !== undefined && { lambda }), ...odd }];
}

function plugsThatContradict({ contradicted }: Known): Warning[] {
  // Of the top it is the next step itself that says it.
  return ZONES.filter((zone) => zone !== "top" && contradicted.has(zone)).map((zone) => ({
    code: "plugsContradict",
    zone,
  }));
}

function doubtedWords({ open: { replayed }, contradicted }: Known): Warning[] {
  // Looks that exclude each other are no word against anything.
  if (contradicted.size > 0) return [];
  const doubted = replayed.claims.findLast(isDoubted);
  if (!doubted) return [];
  const { how, at, chance } = doubted;
  return [{ code: "wordDoubted", how, at, chance }];
}

/** Read this lean, a look is no slip that may be passed over in silence. */
const PLAINLY_LEAN = 0.05;

/** A look of the newest day that does not fit may be a slip, or the first to see it. */
function lookSaysLean({ open: { replayed }, group, plan }: Known): Warning[] {
  const leaned = plan.lines.reduce((sum, { effect }) => sum + effect.top, 0);
  if (leaned < LEAST_EFFECT) return [];
  const ofDay = new Set(replayed.sessions.at(-1)?.matched.map(({ item }) => item.lookId));
  const own = new Set(group.evidence.map(({ lookId }) => lookId));
  const odd = replayed.outcomes.findLast(
    ({ lookId, zone, tail, reads, expected }) =>
      ofDay.has(lookId) &&
      own.has(lookId) &&
      zone === "top" &&
      tail < SURPRISING &&
      reads >= PLAINLY_LEAN &&
      reads > expected,
  );
  return odd ? [{ code: "lookSaysLean", lookId: odd.lookId, leaned }] : [];
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
  const { open, question, plan, findings, heatRange, airEntry } = known;
  const { present, build, replayed } = open;
  const ruled = rulesInTheWay(question, plan);
  const outliers = outliersAmong(cylinderReports(present, build, replayed, airEntry));
  return [
    ...danger(known),
    ...aboutFile(known),
    ...lookSaysLean(known),
    ...plugsThatContradict(known),
    ...doubtedWords(known),
    ...(present.overridden ? [{ code: "walkRound" as const, ...present.overridden }] : []),
    ...findings
      .filter((finding) => finding !== "specks")
      .map((finding) => ({ code: "plugFinding" as const, finding })),
    ...(heatRange ? [{ code: "plugHeatRange" as const, says: heatRange }] : []),
    ...outliers.map((outlier) => ({ code: "cylinderDiffers" as const, ...outlier })),
    ...(ruled.length > 0 ? [{ code: "ruleInTheWay" as const, parts: ruled }] : []),
    ...stops(known),
    ...worthsOf(question.judge.beliefs.together)
      .filter(({ notAsMeasured }) => notAsMeasured)
      .map(({ part, factor }) => ({ code: "notAsMeasured" as const, part, factor })),
    ...aboutAir(known),
    ...(replayed.converged ? [] : [{ code: "unsettled" as const }]),
  ];
}
