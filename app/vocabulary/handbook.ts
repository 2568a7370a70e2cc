/** Contents of the handbook: its pages in the order of the work. */
import { FAULT_NAMES } from "#core/log/fault-names.ts";
import { CHECKS } from "#core/log/walk-round-names.ts";
import { FAULT_WORDS } from "./faults.ts";
import { capital } from "./parts.ts";
import { CHECK_WORDS } from "./walk-round.ts";

export interface HandbookPage {
  /** its address: /handbook/… */
  readonly slug: string;
  readonly title: string;
  /** of several that are alike, made from the words of the screens: no file of its own */
  readonly kind?: "check" | "fault";
  /** the screen of a rig where it is done */
  readonly step?: string;
}

export interface HandbookGroup {
  readonly title: string;
  readonly pages: readonly HandbookPage[];
}

const page = (slug: string, title: string, step?: string): HandbookPage => ({
  slug,
  title,
  ...(step !== undefined && { step }),
});

export const HANDBOOK_GROUPS: readonly HandbookGroup[] = [
  { title: "Start here", pages: [page("start", "Start here"), page("who-feeds", "Who feeds where")] },
  {
    title: "The work",
    pages: [
      page("rig", "Describing the rig", "build"),
      page("walk-round", "The walk-round", "walk-round"),
      page("air", "The air", "air"),
      page("idle", "The idle bench", "idle"),
      page("middle", "The middle", "look?how=ride"),
      page("top", "Full throttle", "look?how=plug"),
      page("change", "Changing a jet", "change"),
      page("plug", "Reading a plug", "look?how=plug"),
      page("witnesses", "Crown and header", "look?how=witness"),
      page("temperature", "The temperature method", "look?how=temperature"),
      page("lambda", "The λ meter", "look?how=lambda"),
      page("stopwatch", "Stopwatch and laps", "stopwatch"),
      page("cylinders", "Several cylinders"),
      page("balance", "Balancing carburettors"),
      page("day", "A day at the track", "day"),
      page("chart", "A chart for the van", "chart"),
      page("record", "The record", "log"),
    ],
  },
  {
    title: "Each check",
    pages: CHECKS.map((check) => ({
      slug: `checks/${check}`,
      title: CHECK_WORDS[check].title,
      kind: "check" as const,
      step: `walk-round/${check}`,
    })),
  },
  {
    title: "Parts",
    pages: [
      page("pilot-screw", "Pilot jet and mixture screw", "idle"),
      page("slide", "Slide and cutaway"),
      page("needle", "Needle and needle jet"),
      page("main-jet", "Main jet"),
      page("air-jets", "Emulsion tube and air jets"),
      page("float", "Float and fuel level"),
      page("pump", "Accelerator pump", "idle-speed"),
      page("choke", "Choke and enrichment"),
    ],
  },
  {
    title: "When it does not add up",
    pages: [
      page("faults", "Faults that no jet cures"),
      ...FAULT_NAMES.map((fault) => ({
        slug: `faults/${fault}`,
        title: capital(FAULT_WORDS[fault].name),
        kind: "fault" as const,
      })),
    ],
  },
  {
    title: "Why",
    pages: [
      page("disagree", "Where tuners disagree", "schools"),
      page("decides", "How Tamis decides", "why"),
      page("worked", "A worked example"),
      page("wrong", "Where it can be wrong"),
    ],
  },
  {
    title: "To look up",
    pages: [
      page("jets", "Jets by hole and by flow", "box"),
      page("formulas", "The air in numbers"),
      page("units", "Units"),
      page("cautions", "Cautions"),
      page("law", "Local law, class rules, licensed work"),
      page("words", "Words"),
    ],
  },
];

export const HANDBOOK: readonly HandbookPage[] = HANDBOOK_GROUPS.flatMap(({ pages }) => pages);

/** @returns the page at an address, whether it ends in a stroke or not */
export const pageAt = (pathname: string): HandbookPage | undefined =>
  HANDBOOK.find(({ slug }) => pathname.replace(/\/$/, "") === `/handbook/${slug}`);
