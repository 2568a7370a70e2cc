/** What can be asked of practice: levels of the ladder, machines of a free game, what is held on a ride. */
/** In the order of the ladder; each has a lesson of its own. */
export const LEVELS = [
  "topRich",
  "middle",
  "idle",
  "unsafeTop",
  "twoHide",
  "mountain",
  "kart",
  "heads",
  "twin",
  "fault",
  "free",
] as const;
export type Level = (typeof LEVELS)[number];
/** Machines of a free game; without one the seed draws it. */
export const FREE_KINDS = ["twoStrokeBike", "fourStrokeAtv", "kart", "childTwoStroke"] as const;
export type FreeKind = (typeof FREE_KINDS)[number];

export interface PracticeAsked {
  readonly level: Level;
  readonly seed: number;
  /** of a free game alone */
  readonly kind?: FreeKind | undefined;
}

/** What is held on a ride; a lap goes through everything. */
export const HOLDS = ["idle", "low", "mid", "top", "lap"] as const;
export type Hold = (typeof HOLDS)[number];
