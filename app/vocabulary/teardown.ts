/** The steps of a teardown in words: what to read off the part before it goes into the cleaner. */
import type { TeardownStep } from "#core/log/teardown-names.ts";

export interface StepWords {
  readonly title: string;
  /** what to read, and its unit where it has one */
  readonly reads?: { readonly label: string; readonly unit?: string };
  readonly how: string;
  readonly refit: string;
}

export const TEARDOWN_WORDS: Readonly<Record<TeardownStep, StepWords>> = {
  asFound: {
    title: "As found",
    how: "Photo from each side, hoses and cables where they are, before the first screw.",
    refit: "Throttle snaps shut, rag out of the port, tap on, leak check.",
  },
  stamp: {
    title: "Number on the body",
    reads: { label: "As stamped" },
    how: "It finds the base sheet again.",
    refit: "Flange tightened to the manual, crosswise.",
  },
  screw: {
    title: "Mixture screw",
    reads: { label: "Turns out from seated", unit: "turns" },
    how: "Count the turns in until it seats lightly, then take it out with spring, washer and ring.",
    refit: "Seat lightly, never hard: the point breaks. Then out to the number.",
  },
  slide: {
    title: "Slide",
    reads: { label: "Cutaway, as stamped or measured", unit: "mm" },
    how: "Which way does the cutaway point? It belongs to the filter.",
    refit: "Cutaway to the filter, guide in its slot, moves by its own weight.",
  },
  clip: {
    title: "Clip",
    reads: { label: "Groove from the top" },
    how: "Count from the blunt end. Washers above or below?",
    refit: "Clip fully in its groove, washers where they were.",
  },
  needle: {
    title: "Needle",
    reads: { label: "As stamped" },
    how: "Straight? Worn shiny on one side? Measure it every few millimetres for the needle table.",
    refit: "Retainer seated: a needle that lifts runs rich.",
  },
  float: {
    title: "Float height, before anything is bent",
    reads: { label: "To the gasket face", unit: "mm" },
    how: "Inverted, tab just touching the pin. Note: gasket on or off.",
    refit: "Height as the manual says; swings free.",
  },
  floatValve: {
    title: "Float needle and seat",
    reads: { label: "Seat, as stamped" },
    how: "Ring on the tip? Spring pin free?",
    refit: "New o-ring under the seat.",
  },
  mainJet: {
    title: "Main jet",
    reads: { label: "As stamped" },
    how: "Right screwdriver, or the slot is gone. Stuck: shock it with driver and hammer before force.",
    refit: "Snug, not tight: cast threads break.",
  },
  needleJet: {
    title: "Needle jet",
    reads: { label: "Measured or as stamped", unit: "mm" },
    how: "Soft: it leaves by a jig, not a punch. Tube drilled or not? Write it into the rig.",
    refit: "Its flat in the pin, its o-ring new.",
  },
  pilotJet: {
    title: "Pilot jet",
    reads: { label: "As stamped" },
    how: "Deep in its tower: a driver that fits. Hold it to the light.",
    refit: "Snug: towers break off.",
  },
  pilotAirJet: {
    title: "Pilot air jet",
    reads: { label: "Hole", unit: "mm" },
    how: "At the mouth, if there is one.",
    refit: "Snug.",
  },
  mainAirJet: {
    title: "Main air jet",
    reads: { label: "Hole", unit: "mm" },
    how: "At the mouth, if there is one.",
    refit: "Snug.",
  },
  pump: {
    title: "Accelerator pump",
    reads: { label: "Screw, turns out", unit: "turns" },
    how: "If there is one: plunger, spring, rubber.",
    refit: "Spring in, screw at its base.",
  },
  rubber: {
    title: "Rubber out",
    how: "Every ring, boot and diaphragm out before solvent touches anything.",
    refit: "New rings, a film of grease.",
  },
  cleaned: {
    title: "Into the cleaner",
    how: "Only now. Then air and nylon through every drilling; no wire.",
    refit: "Bowl on, drain shut, passages dry.",
  },
};
