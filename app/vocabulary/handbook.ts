/** Contents of the handbook: its pages in the order of the work, and the page that each place of a rig leads to. */

export const HANDBOOK_GROUPS = ["Start here", "The work", "When it does not add up", "To look up"] as const;
export type HandbookGroup = (typeof HANDBOOK_GROUPS)[number];

export interface HandbookPage {
  /** its address: /handbook/… */
  readonly slug: string;
  readonly title: string;
  readonly group: HandbookGroup;
  /** places of a rig whose "?" leads here */
  readonly places?: readonly string[];
}

export const HANDBOOK: readonly HandbookPage[] = [
  { slug: "start", title: "Start here", group: "Start here", places: ["Today", "Practice"] },
  { slug: "who-feeds", title: "Who feeds where", group: "Start here", places: ["Rig", "Sieve"] },
  { slug: "walk-round", title: "The walk-round", group: "The work", places: ["Walk-round"] },
  { slug: "air", title: "The air", group: "The work", places: ["Air", "Ahead"] },
  { slug: "idle", title: "The idle bench", group: "The work", places: ["Idle"] },
  { slug: "plug", title: "Reading a plug", group: "The work", places: ["Look"] },
  { slug: "change", title: "Changing a jet", group: "The work", places: ["Change"] },
  { slug: "cylinders", title: "Several cylinders", group: "The work", places: ["Cylinders"] },
  { slug: "record", title: "The record", group: "The work", places: ["Log"] },
  { slug: "faults", title: "Faults that no jet cures", group: "When it does not add up" },
  { slug: "cautions", title: "Cautions and local law", group: "To look up" },
  { slug: "words", title: "Words", group: "To look up" },
];

export const handbookHref = (slug: string): string => `/handbook/${slug}`;

/** @returns the page that explains a place of a rig */
export const pageOfPlace = (place: string): HandbookPage | undefined =>
  HANDBOOK.find(({ places = [] }) => places.includes(place));
