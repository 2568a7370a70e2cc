/** What is asked of days to come and gone by, in one piece that is loaded when it is first asked. */
export { adviceAsThen } from "#core/day/as-then.ts";
export { compareSettings } from "#core/day/compare-settings.ts";
export { compareDays } from "#core/day/compare-days.ts";
export { trendOf } from "#core/day/trend.ts";
export { dayAnswer } from "#core/day/day-answer.ts";
export { PackAsked } from "#core/pack/asked.ts";
export { packAnswer, seasonAnswer } from "#core/pack/pack-answer.ts";
export { routeAnswer } from "#core/route/route-answer.ts";
