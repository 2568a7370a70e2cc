/** The jet box in the carburettor's own numbering: drilled jets and other families converted. */
import { jetArea, jetNumberOfArea, holeArea } from "../carburettor/jet.ts";
import type { Build, JetPart } from "../log/schema.ts";
import { numberingFromLog } from "./from-build.ts";

export interface BoxJet {
  /** what it works as, in the numbers of this carburettor's own family */
  readonly number: number;
  /** a drilled jet: its stamp, and what the pin gauge says */
  readonly drilled?: { readonly stamped: number; readonly measuredMm: number };
  /** a jet of another family: its name and its own number */
  readonly family?: { readonly name: string; readonly stamped: number };
}

const rounded = (number: number): number => Math.round(number * 10) / 10;

/**
 * @returns every jet of the box for this part, each once by what it works as; a plain one goes before a
 *   drilled or foreign one that works the same
 * @throws {RangeError} for a family whose numbering cannot be
 */
export function boxJets(build: Build, part: JetPart): BoxJet[] {
  const { box, carburettor } = build;
  const own = numberingFromLog(part === "pilot" ? carburettor.pilotNumbering : carburettor.mainNumbering);
  const plain: BoxJet[] = (part === "pilot" ? box.pilots : box.mains).map((number) => ({ number }));
  const drilled = (box.drilled ?? [])
    .filter((jet) => jet.part === part)
    .map(({ stamped, measuredMm }): BoxJet => {
      const number = rounded(jetNumberOfArea(holeArea(measuredMm / 1000), own));
      return { number, drilled: { stamped, measuredMm } };
    });
  const foreign = (box.families ?? [])
    .filter((family) => family.part === part)
    .flatMap(({ name, numbering, sizes }) =>
      sizes.map((stamped): BoxJet => {
        const area = jetArea(stamped, numberingFromLog(numbering));
        return { number: rounded(jetNumberOfArea(area, own)), family: { name, stamped } };
      }),
    );
  const byNumber = new Map<number, BoxJet>();
  for (const jet of [...plain, ...drilled, ...foreign])
    if (!byNumber.has(jet.number)) byNumber.set(jet.number, jet);
  return [...byNumber.values()].sort((a, b) => a.number - b.number);
}

/** @returns the jet of the box that works as this number, if there is one */
export const boxJet = (build: Build, part: JetPart, number: number): BoxJet | undefined =>
  boxJets(build, part).find((jet) => jet.number === number);
