/** A plug that is glazed or dead: it looks dark whatever is fitted, and no other witness says so. */
import type { FaultKind, Seen } from "../fault-kind.ts";

const ONLY_PLUGS = ({ type }: Seen): number => (type === "plug" ? 1 : 0);

export const PLUG_DEAD: FaultKind = {
  name: "plugDead",
  prior: 0.013,
  check: "ignition",
  findings: ["deadPlug", "wrongPlug", "plugsDiffer"],
  cases: () => [{ size: { mean: -0.11, sd: 0.04 }, shareOf: ONLY_PLUGS }],
  makes: { wetPlug: 0.55, cutsInAndOut: 0.3, stutters: 0.2 },
  answers: { likeASwitch: 0.45, sparksBlue: 0.75, newPlugCures: 0.85, onePipeDiffers: 0.5, cameSlowly: 0.3 },
  plugs: { glazed: 0.6, wet: 0.25 },
  endedBy: ["plugReplaced"],
};
