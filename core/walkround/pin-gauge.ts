/** Go/no-go pin gauging of a jet: bounds on its hole, compared with its stamp. */
import type { JetNumbering } from "../carburettor/jet.ts";
import { jetArea } from "../carburettor/jet.ts";
import { Refusal, requireRange } from "../units/guard.ts";

/** Reading error of pins and reamers. */
const PIN_ERROR_MM = 0.01;

export interface PinVerdict {
  readonly verdict: "asStamped" | "drilled" | "blocked";
  /** hole that the stamp promises, mm */
  readonly stampedMm: number;
  /** the hole lies between these, mm */
  readonly fromMm: number;
  readonly toMm: number;
}

const diameterMm = (number: number, numbering: JetNumbering): number =>
  1000 * Math.sqrt((4 / Math.PI) * jetArea(number, numbering));

/**
 * @param goMm - largest pin that passes without force
 * @param noGoMm - smallest pin that does not
 * @param jet - named where a pin is refused
 * @throws {RangeError} if the pins are no pins or stand in the wrong order
 */
export function judgePins(
  goMm: number,
  noGoMm: number,
  stamped: number,
  numbering: JetNumbering,
  jet: "pilot" | "main" = "main",
): PinVerdict {
  requireRange(`${jet} go pin`, goMm, 0.1, 5, "mm");
  requireRange(`${jet} no-go pin`, noGoMm, 0.1, 5, "mm");
  if (!(goMm < noGoMm))
    throw new Refusal(`${jet} go pin`, "must be thinner than the no-go pin", `${goMm} and ${noGoMm} mm`);
  const stampedMm = diameterMm(stamped, numbering);
  const verdict =
    goMm > stampedMm + PIN_ERROR_MM
      ? "drilled"
      : noGoMm <= stampedMm - PIN_ERROR_MM
        ? "blocked"
        : "asStamped";
  return { verdict, stampedMm, fromMm: goMm, toMm: noGoMm };
}
