/** Today's card in one line of text, for whoever holds the spanner. */
import type { Advice } from "#core/advice/card/advise.ts";
import { partInSentence, partValue } from "#app/vocabulary/parts.ts";
import type { RigContext } from "../use-rig.ts";

/** In the order in which it is said across a paddock. */
const ORDER = ["main", "screwTurns", "clip", "shimMm", "pilot"] as const;
const SHORT: Readonly<Partial<Record<(typeof ORDER)[number], string>>> = {
  main: "main",
  screwTurns: "screw",
  pilot: "pilot",
};

/** @returns e.g. `27, pit lane, 13:40: main 155, screw 1 ¾, clip 2nd, pilot 45.` */
export function handOverText(
  { header, present: { air } }: Pick<RigContext, "header" | "present">,
  { card, next, carburettors, groups }: Pick<Advice, "card" | "next" | "carburettors" | "groups">,
): string {
  const which = groups < 2 ? "" : `carburettor ${carburettors.map((one) => one + 1).join(" and ")}`;
  const where = [header.plate || header.name, which, air?.place ?? "", air?.at.slice(11, 16) ?? ""];
  const parts = ORDER.flatMap((part) => {
    const row = card.rows.find((one) => one.part === part);
    return row ? `${SHORT[part] ?? partInSentence(part)} ${partValue(part, row.to)}` : [];
  });
  const safe = card.safe ? "" : " Not safe at full throttle: do not run it flat out.";
  const stop = next.kind === "stop" ? " Stop riding: look at the plug first." : "";
  return `${where.filter((one) => one !== "").join(", ")}: ${parts.join(", ")}.${safe}${stop}`;
}
