/** Enumerations that the log and the advice share. */
import * as z from "zod/mini";

export const PARTS = ["pilot", "screwTurns", "clip", "main", "shimMm"] as const;
export type Part = (typeof PARTS)[number];

export const TONES = ["chalk", "bone", "straw", "biscuit", "cocoa", "umber", "soot"] as const;
export type Tone = (typeof TONES)[number];

/** On a plug besides its tone: wet with fuel, glazed and dead, specks of metal, oily. */
export const PLUG_FINDINGS = ["wet", "glazed", "specks", "oily"] as const;
export type PlugFinding = (typeof PLUG_FINDINGS)[number];

/** Besides the root of the porcelain: its face, the strap with its colour break, the ring it screws in by. */
export const PLUG_PLACES = ["face", "strap", "ring"] as const;
export type PlugPlace = (typeof PLUG_PLACES)[number];

/** How a mark was made: a held opening, one pull at full throttle, laps at racing speed. */
export const PLUG_PROTOCOLS = ["steady", "pull", "laps"] as const;
export type PlugProtocol = (typeof PLUG_PROTOCOLS)[number];

/** The piston's crown through the plug hole: dry all over, an island of carbon with clean edges, washed. */
export const CROWNS = ["dry", "island", "washed"] as const;
export type Crown = (typeof CROWNS)[number];

/** Inside of the header or its spigot. */
export const HEADER_COLOURS = ["pale", "tan", "black"] as const;
export type HeaderColour = (typeof HEADER_COLOURS)[number];

/** A probe in the exhaust gas, or on the head. */
export const HEAT_SENSORS = ["exhaust", "head"] as const;
export type HeatSensor = (typeof HEAT_SENSORS)[number];

/** Against what was fitted before the open change. */
export const VERDICTS = ["better", "same", "worse"] as const;
export type ComparedVerdict = (typeof VERDICTS)[number];

export const PartName = z.enum(PARTS);
export const ZONE_NAMES = ["idle", "low", "mid", "top"] as const;
export type ZoneOfThrottle = (typeof ZONE_NAMES)[number];
export const ZoneName = z.enum(ZONE_NAMES);
export const PathName = z.enum(["pilot", "needle", "main", "zones", "air"]);
