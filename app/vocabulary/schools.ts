/** Named ways of working, in words. */
import type {
  ChangesSchool,
  HowFarSchool,
  LookMeans,
  OrderSchool,
  PartsSchool,
  School,
  ScrewSchool,
} from "#core/log/schools.ts";

import { CYLINDER_SCHOOL_WORDS } from "./cylinders.ts";

export const SCHOOL_WORDS: Readonly<Record<ScrewSchool, { readonly name: string; readonly how: string }>> = {
  middle: {
    name: "Middle of the fall-off",
    how: "Halfway between where it drops lean and where it drops rich. This is the default: it does not depend on one reading.",
  },
  highest: { name: "Highest idle", how: "Where it idles fastest." },
  touchRich: {
    name: "Highest, a touch rich",
    how: "Where it idles fastest, then an eighth of a turn richer.",
  },
  byFeel: {
    name: "By feel after a blip",
    how: "From the middle, to where it returns cleanest after a blip.",
  },
};

export const CHANGES_WORDS: Readonly<
  Record<ChangesSchool, { readonly name: string; readonly note: string }>
> = {
  toldApart: {
    name: "What shows in different zones",
    note: "several at one stop, each with a zone of its own: the fewest minutes",
  },
  oneAtATime: { name: "One at a time", note: "one change, one look: a few minutes more" },
};

export const ORDER_WORDS: Readonly<Record<OrderSchool, { readonly name: string; readonly note: string }>> = {
  bottomUp: { name: "Bottom up", note: "idle, needle, main: the idle circuit still feeds above idle" },
  topFirst: { name: "Top first", note: "main, idle, needle: quick for racing" },
  mainThenClip: { name: "Main, then clip", note: "the paddock’s way with a kart" },
  startThenFinish: { name: "Start line, then finish line", note: "by head temperature" },
};

export const HOW_FAR_WORDS: Readonly<Record<HowFarSchool, { readonly name: string; readonly note: string }>> =
  {
    raceDay: { name: "Race day", note: "done once all is right with 80 %: the fewest stops" },
    thorough: { name: "Thorough", note: "done once all is right with 90 %" },
    asFarAsItGoes: { name: "As many as the box allows", note: "until no ride is worth its minutes" },
  };

export const PARTS_SCHOOL_WORDS: Readonly<
  Record<PartsSchool, { readonly name: string; readonly note: string }>
> = {
  whereNothingFiner: {
    name: "Where nothing finer helps",
    note: "a needle, a slide, a needle jet of the box may be advised, with its work",
  },
  never: { name: "Never by itself", note: "only measured against, under Parts" },
};

export const MEANS_WORDS: Readonly<Record<LookMeans, string>> = {
  plug: "Plugs",
  idleBench: "Idle bench",
  lambda: "λ meter",
  temperature: "Temperatures",
  stopwatch: "Stopwatch",
  rideReport: "How it pulls",
};

/** @returns a school as a line of the log */
export function schoolWords(school: School): { readonly what: string; readonly result: string } {
  switch (school.what) {
    case "screw":
      return { what: "Mixture screw, from now on", result: SCHOOL_WORDS[school.is].name.toLowerCase() };
    case "changes":
      return {
        what: "Changes at one stop, from now on",
        result: CHANGES_WORDS[school.is].name.toLowerCase(),
      };
    case "order":
      return { what: "Order of the work, from now on", result: ORDER_WORDS[school.is].name.toLowerCase() };
    case "parts":
      return {
        what: "Parts that are swapped, from now on",
        result: PARTS_SCHOOL_WORDS[school.is].name.toLowerCase(),
      };
    case "howFar":
      return { what: "How far, from now on", result: HOW_FAR_WORDS[school.is].name.toLowerCase() };
    case "cylinders":
      return {
        what: "A cylinder that differs, from now on",
        result: CYLINDER_SCHOOL_WORDS[school.is].name.toLowerCase(),
      };
    case "lookWith":
      return {
        what: "What there is to look with",
        result: school.is.map((one) => MEANS_WORDS[one].toLowerCase()).join(", "),
      };
  }
}
