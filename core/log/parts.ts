/** Words that both the log and the advice use. */
import * as z from "zod";

export const PARTS = ["pilot", "screwTurns", "clip", "main", "shimMm"] as const;
export type Part = (typeof PARTS)[number];

export const TONES = ["chalk", "bone", "straw", "biscuit", "cocoa", "umber", "soot"] as const;
export type Tone = (typeof TONES)[number];

/** On a plug besides its tone: wet with fuel, glazed and dead, specks of metal, oily. */
export const PLUG_FINDINGS = ["wet", "glazed", "specks", "oily"] as const;
export type PlugFinding = (typeof PLUG_FINDINGS)[number];

/** Against what was fitted before the open change. */
export const VERDICTS = ["better", "same", "worse"] as const;
export type ComparedVerdict = (typeof VERDICTS)[number];

export const PartName = z.enum(PARTS);
export const ZoneName = z.enum(["idle", "low", "mid", "top"]);
export const PathName = z.enum(["pilot", "needle", "main", "zones", "air"]);
