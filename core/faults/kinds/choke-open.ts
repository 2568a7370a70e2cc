/** The choke's plunger does not seat: rich at the bottom, hardly at the top, and the screw ends far in. */
import { everyLook, type FaultKind } from "../fault-kind.ts";

const DRAWS_ALONG = { idle: 1, low: 0.75, mid: 0.35, top: 0.12 };

export const CHOKE_OPEN: FaultKind = {
  name: "chokeOpen",
  prior: 0.013,
  check: "choke",
  findings: ["chokePartOpen", "chokeCableTight"],
  // Its own jet behind the slide; and one that draws the more, the more goes past it.
  cases: ({ fades }) =>
    [fades, DRAWS_ALONG].map((shape) => ({ size: { mean: -0.19, sd: 0.06 }, shareOf: everyLook(shape) })),
  makes: { dropsLow: 0.55, wetPlug: 0.5, stutters: 0.45, smokes: 0.3 },
  answers: { chokeChangesNothing: 0.75, screwMatters: 0.4, everywhereAlike: 0.35, worseAfterStanding: 0.15 },
  plugs: { wet: 0.25 },
};
