/**
 * Jet numbering: by the diameter of the hole, or by its flow. The same correction of area moves a diameter number
 * by its square root and a flow number by all of it; mixing them up is a common way to hurt an engine.
 */
import { requirePositive } from "../units/guard.ts";

export type JetNumbering =
  | { readonly by: "diameter" }
  /** number proportional to flow: `referenceNumber` flows like a hole of `referenceDiameterM` */
  | { readonly by: "flow"; readonly referenceNumber: number; readonly referenceDiameterM: number };

/** @returns area of a round hole in m²; @throws {RangeError} if the diameter is not above 0 */
export function holeArea(diameterM: number): number {
  requirePositive("hole diameter", diameterM);
  return (Math.PI / 4) * diameterM * diameterM;
}

/**
 * @param number - as stamped on the jet
 * @returns area of the hole in m²
 * @throws {RangeError} if the number is not above 0
 */
export function jetArea(number: number, numbering: JetNumbering): number {
  requirePositive("jet number", number);
  if (numbering.by === "diameter") return holeArea(number / 100 / 1000);
  requirePositive("reference number", numbering.referenceNumber);
  return (holeArea(numbering.referenceDiameterM) * number) / numbering.referenceNumber;
}

/**
 * The way back from {@link jetArea}: a drilled jet, or one of another family, in this family's numbers.
 * @param areaM2 - of the hole
 * @returns the number, not rounded to a size that exists
 * @throws {RangeError} if the area is not above 0
 */
export function jetNumberOfArea(areaM2: number, numbering: JetNumbering): number {
  requirePositive("jet area", areaM2);
  if (numbering.by === "diameter") return Math.sqrt((4 / Math.PI) * areaM2) * 100 * 1000;
  return (numbering.referenceNumber * areaM2) / holeArea(numbering.referenceDiameterM);
}

/**
 * @param ratio - wanted change of area, e.g. 0.87
 * @returns the number (not rounded to a size that exists) whose area is that many times larger
 * @example correctedJetNumber(165, 0.87, { by: "diameter" }) // => 153.9
 */
export function correctedJetNumber(number: number, ratio: number, numbering: JetNumbering): number {
  requirePositive("jet number", number);
  requirePositive("area ratio", ratio);
  return number * (numbering.by === "diameter" ? Math.sqrt(ratio) : ratio);
}
