/** Needle and needle jet of the usual shape, brought to another bore. */
import type { Build } from "../log/schema.ts";

type NeedleAndJet = Pick<Build["carburettor"], "needleJetMm" | "needle">;

/** @returns the nearest multiple of a step */
export const rounded = (value: number, to: number): number =>
  Number((Math.round(value / to) * to).toFixed(3));

/** What is left round the tip of a needle must not fill its jet. */
const WIDEST_RING = 0.9;

/**
 * Needle and jet of the usual shape for another bore: all along, the ring between them keeps its share of the bore.
 * @param scale - this bore over the usual one
 */
export function needleFor({ needleJetMm, needle }: NeedleAndJet, scale: number): NeedleAndJet {
  const ring = (diameterMm: number) => (needleJetMm ** 2 - diameterMm ** 2) * scale ** 2;
  const widest = Math.max(...needle.profile.map(({ diameterMm }) => ring(diameterMm)));
  const jet2 = Math.max(needleJetMm ** 2, widest / WIDEST_RING);
  const points = needle.profile.map(({ alongMm, diameterMm }) => ({
    alongMm: rounded(alongMm * scale, 0.1),
    diameterMm: rounded(Math.sqrt(jet2 - ring(diameterMm)), 0.01),
  }));
  return { needleJetMm: rounded(Math.sqrt(jet2), 0.01), needle: { ...needle, profile: points } };
}
