/** The judge's less common queries, loaded when first asked. */
import { distribution } from "#core/advice/card/cylinders.ts";
import { deeper } from "#core/advice/card/deeper.ts";
import { lambdaMap } from "#core/advice/judge/lambda-map.ts";
import { outlook } from "#core/advice/card/outlook.ts";
import { nearestNeedles, partsAnswer } from "#core/advice/parts/parts-answer.ts";
import { sieveOf } from "#core/advice/card/sieve.ts";
import { trialOf } from "#core/advice/judge/trial.ts";
import { modelOrLearnt } from "#core/advice/card/model-or-learnt.ts";
import { adviceAsThen } from "#core/day/as-then.ts";
import { compareSettings } from "#core/day/compare-settings.ts";
import { compareDays } from "#core/day/compare-days.ts";
import { dayAnswer } from "#core/day/day-answer.ts";
import { trendOf } from "#core/day/trend.ts";
import { Setting } from "#core/log/schema.ts";
import { TrialAsked } from "#core/log/trial-asked.ts";
import { ChartAsked } from "#core/chart/asked.ts";
import { chartCells, chartGround } from "#core/chart/jetting-chart.ts";
import { PackAsked } from "#core/pack/asked.ts";
import { packAnswer, seasonAnswer } from "#core/pack/pack-answer.ts";
import { routeAnswer } from "#core/route/route-answer.ts";
import { shown, type Kept } from "./kept-case.ts";
import type { Answers, Question } from "./protocol.ts";

export type AskedBeside = Exclude<Question, { ask: "advice" | "adviceAfter" }>;

export function answerBeside({ opened, memory }: Kept, question: AskedBeside): Answers[AskedBeside["ask"]] {
  switch (question.ask) {
    case "distribution":
      return distribution(opened);
    case "outlook":
      return outlook(opened, question.zone, { memory }).map((row) => ({
        ...row,
        advice: shown(row.advice),
      }));
    case "sieve":
      return sieveOf(opened, question.axes, question.carburettor, question.counted);
    case "whose":
      return modelOrLearnt(opened, question.carburettor);
    case "deeper":
      return deeper(opened, question.carburettor, memory);
    case "lambdaMap":
      return lambdaMap(opened, question.carburettor);
    case "parts":
      return partsAnswer(opened, question.carburettor);
    case "nearest":
      return nearestNeedles(opened, question.wanted, question.carburettor);
    case "trial":
      return trialOf(opened, TrialAsked.parse(question.asked), question.carburettor);
    case "compare":
      return compareDays(opened, question.a, question.b, question.carburettor, memory);
    case "settings":
      return compareSettings(
        opened,
        Setting.parse(question.a),
        Setting.parse(question.b),
        question.carburettor,
      );
    case "then": {
      const then = adviceAsThen(opened, question.entryId, question.carburettor);
      return then && { ...then, advice: shown(then.advice) };
    }
    case "trend":
      return trendOf(opened, question.carburettor);
    case "day":
      return dayAnswer(opened, question.carburettor);
    case "route":
      return routeAnswer(opened, question.routeId, question.carburettor);
    case "pack":
      return packAnswer(opened, PackAsked.parse(question.asked), question.carburettor);
    case "chartGround":
      return chartGround(opened, question.carburettor);
    case "chart": {
      const { airs, from } = ChartAsked.parse(question.asked);
      return chartCells(opened, airs, from, question.carburettor);
    }
    case "season":
      return seasonAnswer(opened, question.place, question.elevationM, question.carburettor);
  }
}
