/** One line under each row of the card. */
import type { CardRow } from "#core/advice/card/card-rows.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import { isUnclear } from "../strip/zone-state.ts";
import { mixtureWords, shiftWords, ZONE_NAMES } from "#app/vocabulary/parts.ts";

const STEP_NAMES: Readonly<Record<CardRow["part"], string>> = {
  pilot: "The next size up",
  screwTurns: "A quarter turn out",
  clip: "One groove down",
  shimMm: "The next shim",
  main: "The next size up",
};

/** Closer than this a step is worth what is computed. */
const WORTH_SAYING = 0.008;

const stepWords = ({ part, stepEffect, asComputed }: CardRow): string =>
  Math.abs(stepEffect - asComputed) < WORTH_SAYING
    ? `${STEP_NAMES[part]}: ${shiftWords(stepEffect)}.`
    : `${STEP_NAMES[part]}: ${shiftWords(stepEffect)} here, by its measures ${shiftWords(asComputed)}.`;

/** @returns why this row is as it is, and what a step of it would be worth */
export function rowReason(row: CardRow, advice: Advice): string {
  const zone = advice.zones.find((candidate) => candidate.zone === row.zone);
  const name = ZONE_NAMES[row.zone];
  if (row.part === "pilot")
    return row.from === row.to ? "The screw can set the idle right." : "The screw would go too far.";
  if (!zone || zone.looks === 0) return `${name}: no look yet. ${stepWords(row)}`;
  const looks = zone.looks === 1 ? "one look" : `${zone.looks} looks`;
  const state = isUnclear(zone) ? "not known" : mixtureWords(zone.mean);
  return `${name} ${state} as fitted (${looks}). ${stepWords(row)}`;
}

/** Does the card lean the top out? Then the caution belongs right here. */
export function leansTop(advice: Advice): boolean {
  return advice.card.rows.some(
    ({ part, from, to }) => (part === "main" && to < from) || (part === "clip" && to < from),
  );
}
