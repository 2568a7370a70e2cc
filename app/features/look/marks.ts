/** Steps and caution of each method of colouring a plug. */
import type { PlugProtocol } from "#core/log/parts.ts";

interface MarkWords {
  readonly name: string;
  readonly steps: readonly string[];
  readonly caution: string;
}

export const MARK_WORDS: Readonly<Record<PlugProtocol, MarkWords>> = {
  steady: {
    name: "Steady opening",
    steps: [
      "Warm engine, a new or known-clean plug of the right heat range.",
      "Hold the opening on a load, at one speed, for some minutes: the porcelain takes that colour.",
      "Clutch in, and cut the engine there. Rolling off paints the idle over it.",
    ],
    caution:
      "Only where a steady speed and a sudden stop are lawful and safe. Plug, pipe and head are hot; a cut engine gives no drive.",
  },
  pull: {
    name: "One full pull",
    steps: [
      "Warm engine, a new or known-clean plug of the right heat range.",
      "One honest pull at full throttle, under load, to near the peak. Free revs prove nothing.",
      "At full throttle: clutch in, kill switch, coast. Plug out, read the porcelain near its root.",
    ],
    caution:
      "Ride full throttle and cut the engine only on a closed course with room to coast. Never on a public road. Approach from rich: lean at full throttle destroys engines.",
  },
  laps: {
    name: "Laps at speed",
    steps: [
      "A fixed number of laps at racing speed, the same each time.",
      "Come in without rolling about: crown, plug, header and lap time together.",
      "Count each lap here; log its time under the stopwatch.",
    ],
    caution: "A track and its rule book only. Do not touch the phone while riding: count in the pit.",
  },
};
