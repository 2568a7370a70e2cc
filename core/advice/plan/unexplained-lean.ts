/**
 * The guard behind all files: a way, a forecast or a logger's file may ask for a leaner top than could be believed
 * without it. It may be right all the same; then somebody who was there says so before it is one tap.
 */
import type { Entry, Setting } from "../../log/schema.ts";
import { openCase, type Case } from "../judge/case.ts";
import type { SettingJudge } from "../judge/judge-setting.ts";
import { LEAST_EFFECT } from "./moves.ts";

/** A top believed leaner than this without the file is not explained by what was known. */
const MOST_EXPLAINED = 0.02;

export interface UnexplainedLean {
  /** how much the change leans the top */
  readonly leaned: number;
  /** how lean the top would be, by all that is known without the file */
  readonly wouldBe: number;
}

/**
 * @param without - of the engine without what the file adds, in the thinnest air that can be believed without it
 * @param engineSds - how far on its rich side the engine is taken: where the file speaks of the air alone, not at all
 * @returns nothing where the change leans nothing, or no more than was to be believed
 */
export function unexplainedLean(
  without: SettingJudge,
  fitted: Setting,
  setting: Setting,
  engineSds = 0,
): UnexplainedLean | undefined {
  const leaned = without.lines(setting).top.shift - without.lines(fitted).top.shift;
  if (leaned < LEAST_EFFECT) return undefined;
  const { mean, sd } = without.judge(setting).zones.top;
  const wouldBe = mean - engineSds * sd;
  return wouldBe > MOST_EXPLAINED ? { leaned, wouldBe } : undefined;
}

/** The newest logger's file since the last change, and the case as it was without the looks that came with it. */
export interface WithoutFile {
  readonly file: string;
  readonly open: Case;
  /** of full throttle, where it told one */
  readonly lambda?: number;
}

const known = new WeakMap<Case, WithoutFile | undefined>();

function withoutFile({ present, heard }: Case): WithoutFile | undefined {
  const counted = present.lines.flatMap(({ entry, struck, setAside }) =>
    struck || setAside !== undefined ? [] : [entry],
  );
  const newest = counted.findLast(({ kind }) => kind === "import" || kind === "fit");
  if (newest?.kind !== "import") return undefined;
  // What a file brings is saved in one go, at one instant.
  const brought = ({ kind, at }: Entry) => at === newest.at && (kind === "look" || kind === "run");
  const lambdas = counted.flatMap((entry) =>
    brought(entry) && entry.kind === "look" && entry.reading.type === "lambda" && entry.reading.zone === "top"
      ? [entry.reading.lambda]
      : [],
  );
  const open = openCase(
    counted.filter((entry) => !brought(entry)),
    { messages: heard },
  );
  const [lambda] = lambdas;
  return { file: newest.file, open, ...(lambda !== undefined && { lambda }) };
}

/** @returns nothing where no file came since the last change; worked out once a case */
export function caseWithoutFile(open: Case): WithoutFile | undefined {
  if (!known.has(open)) known.set(open, withoutFile(open));
  return known.get(open);
}
