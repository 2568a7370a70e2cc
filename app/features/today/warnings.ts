import type { Preferences } from "#app/vocabulary/preferences.ts";
/** Warnings in words: what is wrong, and what to do. */
import type { Asks } from "#app/ui/AskFirst.tsx";
import { outlierTitle } from "#app/vocabulary/cylinders.ts";
import type { AskedFirst } from "#core/advice/card/asked-first.ts";
import type { Warning } from "#core/advice/card/warnings.ts";
import type { Present } from "#core/log/present.ts";
import { WORTH_PARTS } from "#app/vocabulary/instruments.ts";
import { doubtedWords } from "#app/vocabulary/proven.ts";
import { HEAT_RANGE_SAYS } from "#app/vocabulary/heat-range.ts";
import { PLUG_FINDING_WORDS } from "#app/vocabulary/symptoms.ts";
import { checkList } from "#app/vocabulary/walk-round.ts";
import { mixtureWords, partInSentence, percentWords, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { fixed, formatQuantity, formatTurns } from "#app/vocabulary/numerals.ts";
import { handbookHref } from "#app/vocabulary/help.ts";
import { EXTRAPOLATED_AIR, LEAN_DESTROYS } from "#app/vocabulary/cautions.ts";

export interface WarningWords {
  readonly grave: boolean;
  readonly text: string;
}

/** Which part cures what no screw, groove or jet of the box reaches. */
const RULED_BY: Readonly<Record<Extract<Warning, { code: "outOfReach" }>["ruledBy"], string>> = {
  pilot: "the pilot circuit rules there, so another size of pilot jet, or the slide’s cutaway",
  needle: "the needle’s straight part and its jet rule there, then the slide’s cutaway",
  main: "the main jet rules there, so sizes beyond this box",
};

const grave = (text: string): WarningWords => ({ grave: true, text });
const plain = (text: string): WarningWords => ({ grave: false, text });

/** What is asked before the plan is one tap, and the button that answers it. */
export function askedWords(asked: AskedFirst, { looks }: Pick<Present, "looks">): Asks {
  const leaner = percentWords(asked.leaned);
  if (asked.code === "lookSaysLean") {
    const at = looks.find(({ entry }) => entry.id === asked.lookId)?.entry.at.slice(11, 16);
    return {
      words: `The look${at === undefined ? "" : ` at ${at}`} shows full throttle lean. All else says it is rich, so this makes it ${leaner} leaner. If the look is right, the engine is hurt. Look at it again first.`,
      yes: "I looked again",
    };
  }
  const { file, lambda, wouldBe } = asked;
  const figure = lambda === undefined ? "" : `It says λ ${fixed(lambda, 2)} at full throttle. `;
  return {
    words: `This makes full throttle ${leaner} leaner, only because of ${file}. ${figure}If the file is wrong, the engine ends at least ${percentWords(wouldBe)} too lean. Was the probe warm? Was the pipe tight? Was it the right column?`,
    yes: "The file is right",
  };
}

/** The page of the handbook about each. */
export const WARNING_PAGES: Readonly<Record<Exclude<Warning, AskedFirst>["code"], string>> = {
  leanRisk: handbookHref("top"),
  cylinderDiffers: handbookHref("cylinders"),
  plugFinding: handbookHref("plug"),
  noneRichEnough: handbookHref("main-jet"),
  plugsContradict: handbookHref("plug"),
  wordDoubted: handbookHref("decides"),
  screwAtStop: handbookHref("pilot-screw"),
  clipAtEnd: handbookHref("needle"),
  mainAtStop: handbookHref("main-jet"),
  outOfReach: handbookHref("slide"),
  notAsMeasured: handbookHref("rig"),
  ruleInTheWay: handbookHref("law"),
  walkRound: handbookHref("walk-round"),
  plugHeatRange: handbookHref("plug"),
  noAir: handbookHref("air"),
  seaLevelSuspected: handbookHref("air"),
  extrapolatedAir: handbookHref("formulas"),
  unsettled: handbookHref("wrong"),
};

export function warningWords(warning: Exclude<Warning, AskedFirst>, units: Preferences): WarningWords {
  switch (warning.code) {
    case "leanRisk":
      return grave(
        `${LEAN_DESTROYS}. As fitted, the chance of being past the lean limit is ${percentWords(warning.chance)}${warning.cylinder === undefined ? "" : ` on cylinder ${warning.cylinder}`}.`,
      );
    case "cylinderDiffers":
      return plain(`${outlierTitle(warning)}: find its cause before any jet, under Cylinders.`);
    case "plugFinding": {
      const { name, then } = PLUG_FINDING_WORDS[warning.finding];
      return plain(`${name}: ${then.charAt(0).toLowerCase()}${then.slice(1)}`);
    }
    case "noneRichEnough":
      return grave(
        `No main jet in the box is rich enough. ${warning.wantedMain} is wanted; do not run flat out until it is fitted.`,
      );
    case "plugsContradict":
      return grave(
        `${ZONE_NAMES[warning.zone]}: on this setting one plug was pale and one was dark. Do not trust either. Look at both again in the shade, and cross out the wrong one in the log.`,
      );
    case "wordDoubted":
      return plain(doubtedWords(warning));
    case "screwAtStop":
      return plain(
        `The screw is at the end of its window (${formatTurns(warning.turns)} turns): the pilot jet is wrong. Fit ${warning.wantedPilot}.`,
      );
    case "clipAtEnd":
      return plain(
        `The clip is in an end groove, and the middle needs to go ${warning.wants}. You need another needle or needle jet.`,
      );
    case "mainAtStop":
      return plain(`Your box ends at main ${warning.main}; you need ${warning.wantedMain}.`);
    case "outOfReach":
      return plain(
        `${warning.zone === "low" ? "Just off idle" : ZONE_NAMES[warning.zone]} stays ${mixtureWords(warning.mean)} with any jet, groove or screw there is: ${RULED_BY[warning.ruledBy]}. Rig, Parts says by which measure.`,
      );
    case "notAsMeasured":
      return plain(
        `A step of the ${WORTH_PARTS[warning.part]} is worth ${fixed(warning.factor, 1)} times what its measures say: measure it again.`,
      );
    case "ruleInTheWay":
      return plain(
        `The class rules lock ${warning.parts.map(partInSentence).join(" and ")}. Without that rule the card would be better.`,
      );
    case "walkRound":
      return grave(
        `Jetted on a failed walk-round (${checkList(warning.checks)}): “${warning.reason}”. Readings taken on a fault teach the wrong lesson.`,
      );
    case "plugHeatRange":
      return plain(`The newest plug: ${HEAT_RANGE_SAYS[warning.says]}`);
    case "noAir":
      return plain("No air has been read. The card is for the air your setting was right in.");
    case "seaLevelSuspected":
      return plain(
        `${formatQuantity("pressure", warning.pressurePa, units.pressure)} at ${formatQuantity("length", warning.elevationM, units.length)} looks like sea-level pressure. Read the air again and say which it is.`,
      );
    case "extrapolatedAir":
      return plain(EXTRAPOLATED_AIR);
    case "unsettled":
      return plain(
        "The looks contradict each other so much that the sieve did not settle. Check the surprising ones.",
      );
  }
}
