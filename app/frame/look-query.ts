/** How the look screen is told what was asked for: the kind, the zone, the cylinder. */
import * as z from "zod/mini";
import type { NextLook } from "#core/advice/ride/next-look.ts";
import type { LookHow } from "#core/looks/look-kind.ts";

export const HowName = z.enum(["plug", "ride", "symptom", "lambda", "temperature", "witness", "proven"]);
export type HowName = z.infer<typeof HowName>;

/** Where each kind of look is entered; the idle bench and the stopwatch have screens of their own. */
const ENTERED_AS: Readonly<Record<LookHow, HowName>> = {
  plug: "plug",
  idleBench: "plug",
  lambda: "lambda",
  temperature: "temperature",
  timedPair: "plug",
  rideReport: "ride",
  crown: "witness",
  header: "witness",
  symptom: "symptom",
};

export const enteredAs = (how: LookHow): HowName => ENTERED_AS[how];

/** @returns what follows the address of the look screen */
export function lookQuery({ how, zone, cylinder }: Pick<NextLook, "how" | "zone" | "cylinder">): string {
  const query = new URLSearchParams({ how: enteredAs(how) });
  if (zone !== undefined) query.set("zone", zone);
  if (cylinder !== undefined) query.set("cylinder", String(cylinder));
  return `?${query.toString()}`;
}
