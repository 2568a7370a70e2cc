/** Likelihood ratios of symptoms, answers, plug findings and walk-round checks for each fault. */
import type { Present } from "../log/present.ts";
import type { QuestionName } from "../log/question-names.ts";
import type { PlugFinding } from "../log/parts.ts";
import type { CheckEntry } from "../log/schema.ts";
import type { Symptom } from "../log/symptom-names.ts";
import type { CheckName, FindingName } from "../log/walk-round-names.ts";
import type { FaultKind } from "./fault-kind.ts";
import { PLUG_WHEN_JETTING, type BaseRates } from "./questions.ts";

/** One reason for or against a fault, and ln of how many times it makes it likelier. */
export type Reason = { readonly weight: number } & (
  | { readonly kind: "looks" }
  | { readonly kind: "symptom"; readonly symptom: Symptom }
  | { readonly kind: "answer"; readonly question: QuestionName; readonly is: "yes" | "no" }
  | { readonly kind: "plug"; readonly finding: PlugFinding }
  | { readonly kind: "finding"; readonly check: CheckName; readonly finding?: FindingName }
  | { readonly kind: "passed"; readonly check: CheckName }
  | { readonly kind: "notThis" }
  | { readonly kind: "wasOnce" }
);

/** Words older than this are of another season. */
const WINDOW_DAYS = 90;
const DAY_MS = 86_400_000;

/** ln of how much likelier a fault is once its check found it, was off without saying why, passed. */
const FOUND = Math.log(0.5 / 0.01);
const OFF = Math.log(0.35 / 0.04);
const PASSED = Math.log(0.25);
const OTHER_PASSED = Math.log(0.6);
const LOOKED_FOR = Math.log(0.08);
const WAS_ONCE = Math.log(2);

/** @returns every check that was made, in order */
export const checksMade = ({ lines }: Pick<Present, "lines">): CheckEntry[] =>
  lines.flatMap(({ entry, struck, setAside }) =>
    entry.kind === "check" && !struck && setAside === undefined ? [entry] : [],
  );

/**
 * @param checks - every one that was made, in order
 * @returns from when on a fault can be there: its part was renewed, its check passed after it had been found; or any
 *   fault was mended, and explains what was seen before
 */
export function sinceWhen(
  { check, endedBy = [] }: FaultKind,
  present: Pick<Present, "faultWords" | "works">,
  checks: readonly CheckEntry[],
): number {
  const mended = present.faultWords.filter(({ is }) => is === "mended");
  const works = present.works.filter(({ what }) => endedBy.includes(what));
  const own = checks.filter((entry) => entry.check === check);
  const cured = own.filter(({ state }, i) => {
    const was = own[i - 1]?.state;
    return state === "pass" && (was === "stop" || was === "notes");
  });
  return Math.max(-Infinity, ...[...mended, ...works, ...cured].map(({ at }) => Date.parse(at)));
}

/** One answer in so many is given without having looked: it says yes or no alike. */
const BY_GUESS = 0.12;
const asAnswered = (yes: number): number => BY_GUESS / 2 + (1 - BY_GUESS) * yes;

/** What a fault is asked of: all that was said lately, each thing once, the newest word of it. */
export interface RecentReports {
  /** with the look that told it */
  readonly symptoms: ReadonlyMap<Symptom, string>;
  readonly answers: ReadonlyMap<QuestionName, "yes" | "no">;
  readonly plugs: ReadonlySet<PlugFinding>;
}

/** @returns from when on what was said still counts */
export const thisSeason = ({ newest }: Pick<Present, "newest">): number =>
  newest === undefined ? -Infinity : Date.parse(newest) - WINDOW_DAYS * DAY_MS;

/** @returns what was said after a moment, and not too long ago */
export function recentReports(present: Present, since: number): RecentReports {
  const from = Math.max(since, thisSeason(present));
  const isLate = ({ at }: { readonly at: string }) => Date.parse(at) >= from;
  const symptoms = new Map<Symptom, string>();
  const plugs = new Set<PlugFinding>();
  // Looks are in order: of ten years those of one season are looked through.
  const first = present.looks.findLastIndex(({ entry }) => !isLate(entry)) + 1;
  for (const { entry } of present.looks.slice(first)) {
    const { reading } = entry;
    if (reading.type === "symptom") symptoms.set(reading.symptom, entry.id);
    if (reading.type === "plug") for (const finding of reading.findings ?? []) plugs.add(finding);
  }
  const answers = new Map<QuestionName, "yes" | "no">();
  for (const answer of present.answers) if (isLate(answer)) answers.set(answer.question, answer.is);
  return { symptoms, answers, plugs };
}

function checkReason(fault: FaultKind, check: CheckName, { checks }: Present, since: number): Reason[] {
  const entry = checks[check];
  if (!entry || Date.parse(entry.at) < since) return [];
  const found = entry.findings.find((finding) => fault.findings.includes(finding));
  if (found) return [{ kind: "finding", check, finding: found, weight: FOUND }];
  const own = check === fault.check;
  if (entry.state === "stop" && own && entry.findings.length === 0)
    return [{ kind: "finding", check, weight: OFF }];
  if (entry.state === "pass") return [{ kind: "passed", check, weight: own ? PASSED : OTHER_PASSED }];
  return [];
}

/** @returns everything besides looks and symptoms that speaks for or against one fault */
export function reportedReasons(
  fault: FaultKind,
  present: Present,
  lately: RecentReports,
  since: number,
  usually: BaseRates,
): Reason[] {
  const answers = [...lately.answers].flatMap(([question, is]): Reason[] => {
    if (fault.answers[question] === undefined) return [];
    const usual = asAnswered(usually[question]);
    const yes = asAnswered(fault.answers[question]);
    const weight = is === "yes" ? Math.log(yes / usual) : Math.log((1 - yes) / (1 - usual));
    return [{ kind: "answer", question, is, weight }];
  });
  const plugs = [...lately.plugs].flatMap((finding): Reason[] => {
    const made = fault.plugs?.[finding];
    return made === undefined
      ? []
      : [{ kind: "plug", finding, weight: Math.log(made / PLUG_WHEN_JETTING[finding]) }];
  });
  const checks = [fault.check, ...(fault.alsoChecks ?? [])].flatMap((check) =>
    checkReason(fault, check, present, since),
  );
  const words = present.faultWords.filter((word) => word.fault === fault.name);
  const notThis = words.some(({ is, at }) => is === "notThis" && Date.parse(at) >= since);
  const once = words.some(({ is }) => is === "mended");
  return [
    ...answers,
    ...plugs,
    ...checks,
    ...(notThis ? [{ kind: "notThis" as const, weight: LOOKED_FOR }] : []),
    ...(once ? [{ kind: "wasOnce" as const, weight: WAS_ONCE }] : []),
  ];
}
