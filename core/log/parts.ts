/** Words that both the log and the advice use. */
import * as z from "zod";

export const PARTS = ["pilot", "screwTurns", "clip", "main", "shimMm"] as const;
export type Part = (typeof PARTS)[number];

export const TONES = ["chalk", "bone", "straw", "biscuit", "cocoa", "umber", "soot"] as const;
export type Tone = (typeof TONES)[number];

export const PartName = z.enum(PARTS);
export const ZoneName = z.enum(["idle", "low", "mid", "top"]);
export const PathName = z.enum(["pilot", "needle", "main", "zones", "air"]);
