/** Likelihood of a plug reading: tone, cut, age and deposits set its weight. */
import { ZONES, type PerZone } from "../carburettor/zones.ts";
import type { PlugFinding, Tone } from "../log/parts.ts";
import type { Build, Reading } from "../log/schema.ts";
import type { Likelihood } from "./likelihood.ts";
import { blendLines } from "./line.ts";
import type { LookKind } from "./look-kind.ts";
import { toneLikelihood } from "./plug-tone.ts";

/** Errors of readers, as shares of mixture. */
export const READER_SD = { clean: 0.03, rolled: 0.06, unknown: 0.045 } as const;
/** How much of a plug's colour the roll to idle has painted over. Unknown cuts are taken half way. */
export const IDLE_SHARE = { clean: 0, rolled: 0.5, unknown: 0.25 } as const;
/** Alcohol leaves little colour. */
const METHANOL_FACTOR = 2.5;
/** Glaze and oil cover the porcelain, fuel washes it: what tone is left says little of the mixture. */
const COVERS_THE_TONE: ReadonlySet<PlugFinding> = new Set(["wet", "glazed", "oily"]);
const COVERED_FACTOR = 3;
/** A plug that ran before still wears what it saw then. */
const USED_FACTOR = 1.5;
/** Held for less than this, a steady opening has not marked the plug. */
export const MARKS_AFTER_S = 120;
const UNMARKED_FACTOR = 1.5;
/** A plug one heat range too cold reads this much darker. */
const DARKER_PER_COLDER_STEP = 0.02;
/** The ring is a second witness of the fuel overall, as loose as a crown. */
const RING_SD = 0.06;

export type PlugReading = Extract<Reading, { type: "plug" }>;

function readerSd(
  { cut, findings, used, made, photoSure }: PlugReading,
  fuel: Build["fuel"]["name"],
): number {
  const hidden = findings?.some((finding) => COVERS_THE_TONE.has(finding)) ?? false;
  const brief = made?.by === "steady" && made.amount !== undefined && made.amount < MARKS_AFTER_S;
  return (
    READER_SD[cut] *
    (fuel === "methanol" ? METHANOL_FACTOR : 1) *
    (hidden ? COVERED_FACTOR : 1) *
    (used ? USED_FACTOR : 1) *
    (brief ? UNMARKED_FACTOR : 1) *
    // A camera that cannot decide is worth as much less as it doubts.
    (photoSure === undefined ? 1 : 2 - photoSure)
  );
}

/** @param scatter - how many times as much as usual this reader's plugs scatter */
export function plugLikelihood(reading: PlugReading, fuel: Build["fuel"]["name"], scatter = 1): Likelihood {
  const looksRicher = DARKER_PER_COLDER_STEP * reading.colderSteps;
  const sd = scatter * readerSd(reading, fuel);
  const root = toneLikelihood({ tone: reading.tone, sd, looksRicher });
  const ring: Tone | undefined = reading.places?.ring;
  if (ring === undefined) return root;
  const overall = toneLikelihood({ tone: ring, sd: RING_SD * (sd / READER_SD.clean), looksRicher });
  const { tail, reads } = root;
  return {
    log: (e) => root.log(e) + overall.log(e),
    sd,
    tail,
    reads,
    wider: (factor) => plugLikelihood(reading, fuel, scatter * factor),
  };
}

/** A tone names a band about 6 % wide; as a measurement its own width counts on top of the eye's error. */
const TONE_BAND_SD = 0.06 / Math.sqrt(12);
/** A part-throttle plug needs minutes to colour; a full-throttle pull and its cut are short. */
const MINUTES: PerZone<number> = { idle: 8, low: 10, mid: 10, top: 8 };

export const PLUG: LookKind<"plug"> = {
  observe: (reading, { build, mixtureOf, setting }) => {
    const at = mixtureOf(setting);
    return [
      {
        zone: reading.zone,
        line: blendLines(at[reading.zone], at.idle, IDLE_SHARE[reading.cut]),
        likelihood: plugLikelihood(reading, build.fuel.name),
      },
    ];
  },
  instrument: "reader",
  next: {
    how: "plug",
    means: "plug",
    // A plug has the colour of what was held last: a ride each.
    rides: () => ZONES.map((zone) => [zone]),
    felt: true,
    sd: (_, { fuel }) =>
      Math.hypot(READER_SD.clean * (fuel.name === "methanol" ? METHANOL_FACTOR : 1), TONE_BAND_SD),
    minutes: (zone) => MINUTES[zone],
  },
};
