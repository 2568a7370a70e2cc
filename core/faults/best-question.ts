/** The question with the largest expected information gain about which fault it is. */
import type { Present } from "../log/present.ts";
import { QUESTION_NAMES, type QuestionName } from "../log/question-names.ts";
import type { Symptom } from "../log/symptom-names.ts";
import { ASKED_AFTER, YES_WHEN_JETTING, type BaseRates } from "./questions.ts";

export interface Hypothesis {
  readonly chance: number;
  /** chance of "yes"; as on an engine that only wants another jet where it says nothing */
  readonly answers: Readonly<Partial<Record<QuestionName, number>>>;
}

interface Reported {
  readonly symptoms: ReadonlyMap<Symptom, unknown>;
  readonly answers: ReadonlyMap<QuestionName, unknown>;
}

/** A question that tells less than this (nats) is not worth a word. */
const WORTH_ASKING = 0.025;

const entropy = (p: number): number => (p <= 0 || p >= 1 ? 0 : -p * Math.log(p) - (1 - p) * Math.log(1 - p));

/** @returns mutual information between the answer and what it is, nats */
function tells(question: QuestionName, hypotheses: readonly Hypothesis[], usually: BaseRates): number {
  const yesOf = ({ answers }: Hypothesis) => answers[question] ?? usually[question];
  const yes = hypotheses.reduce((sum, one) => sum + one.chance * yesOf(one), 0);
  return entropy(yes) - hypotheses.reduce((sum, one) => sum + one.chance * entropy(yesOf(one)), 0);
}

/** @returns nothing when no question is worth asking now */
export function bestQuestion(
  hypotheses: readonly Hypothesis[],
  { symptoms, answers }: Reported,
  { build }: Pick<Present, "build">,
  usually: BaseRates = YES_WHEN_JETTING,
): QuestionName | undefined {
  const several = (build?.engine.cylinders ?? 1) > 1;
  const open = QUESTION_NAMES.filter((question) => {
    if (answers.has(question) || (question === "onePipeDiffers" && !several)) return false;
    const after = ASKED_AFTER[question];
    return after === undefined || after.some((symptom) => symptoms.has(symptom));
  });
  const ranked = open
    .map((question) => ({ question, worth: tells(question, hypotheses, usually) }))
    .sort((a, b) => b.worth - a.worth);
  const [best] = ranked;
  return best && best.worth >= WORTH_ASKING ? best.question : undefined;
}
