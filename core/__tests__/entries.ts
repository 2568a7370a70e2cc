/** Builders of log entries for tests, one line each. */
import type { Zone } from "../carburettor/zones.ts";
import type { Part, Tone } from "../log/parts.ts";
import type { Build, Entry, Reading } from "../log/schema.ts";
import { TWIN } from "../../demo/other-rigs.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";

export const at = (time: string, day = "2026-05-23"): string => `${day}T${time}:00+02:00`;

export const build = (time = "08:00", change: Partial<Build> = {}): Entry => ({
  id: "build:0001",
  at: at(time),
  kind: "build",
  build: { ...ENDURO_BUILD, ...change },
  reopens: [],
  why: "",
});

/** Two cylinders, a carburettor each. */
export const twin = (time = "08:00"): Entry => ({
  id: "build:twin",
  at: at(time),
  kind: "build",
  build: TWIN.build,
  reopens: [],
  why: "",
});

/** 24 °C, 863 hPa, 46 % unless told otherwise. */
export const air = (
  id: string,
  time: string,
  change: { temperatureK?: number; pressurePa?: number } = {},
): Entry => ({
  id: `air:${id}`,
  at: at(time),
  kind: "air",
  temperatureK: change.temperatureK ?? 297.15,
  humidity: { kind: "relative", fraction: 0.46 },
  pressure: { kind: "station", pressurePa: change.pressurePa ?? 86_300 },
  elevationM: 1380,
  place: "Col de la Brume",
});

export const fitPart = (id: string, time: string, part: Part, to: number): Entry => ({
  id: `fit:${id}`,
  at: at(time),
  kind: "fit",
  changes: [{ part, to }],
  because: "advice",
});
export const fit = (id: string, time: string, main: number): Entry => fitPart(id, time, "main", main);

export const lookWith = (id: string, time: string, reading: Reading, day?: string): Entry => ({
  id: `look:${id}`,
  at: at(time, day),
  kind: "look",
  reading,
});
export const plug = (id: string, time: string, zone: Zone, tone: Tone): Entry =>
  lookWith(id, time, { type: "plug", zone, tone, cut: "clean", colderSteps: 0 });
export const look = (id: string, time: string): Entry => plug(id, time, "top", "biscuit");

/** A main jet taken out, with a photo of it. */
export const photographed = (
  time: string,
  photos: readonly string[],
  day?: string,
): Extract<Entry, { kind: "teardown" }> => ({
  id: "teardown:0001",
  at: at(time, day),
  kind: "teardown",
  step: "mainJet",
  moved: "out",
  reads: "",
  torque: "",
  note: "",
  photos: photos.map((id) => ({ id, widthPx: 10, heightPx: 10 })),
});

export const strike = (id: string, time: string, strikes: string): Entry => ({
  id: `strike:${id}`,
  at: at(time),
  kind: "strike",
  strikes,
  why: "",
});
