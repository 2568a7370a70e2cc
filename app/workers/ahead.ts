/** What is asked of days to come, in one piece that is loaded when it is first asked. */
export { dayAnswer } from "#core/day/day-answer.ts";
export { PackAsked } from "#core/pack/asked.ts";
export { packAnswer, seasonAnswer } from "#core/pack/pack-answer.ts";
export { routeAnswer } from "#core/route/route-answer.ts";
