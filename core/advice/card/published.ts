/** Advice as the command line and files publish it: one flat object a group of carburettors. */
import type { BenchPart } from "../../log/part-schema.ts";
import type { Advice } from "./advise.ts";
import type { Reason } from "../../faults/likelihood-ratios.ts";
import type { NextLook } from "../ride/next-look.ts";

/** One part to change, on all carburettors of its group unless it names one (from 1). */
export interface PublishedChange {
  readonly part: string;
  readonly from: number;
  readonly to: number;
  readonly zone?: string;
  readonly carburettor?: number;
}

export type PublishedNext =
  | {
      readonly kind: "fit";
      readonly changes: readonly PublishedChange[];
      readonly because: "danger" | "plan";
      readonly chanceBetter: number;
    }
  | { readonly kind: "putBack"; readonly changes: readonly PublishedChange[]; readonly mended?: string }
  /** another part of the box: the plan is made anew once it is in */
  | {
      readonly kind: "part";
      readonly part: BenchPart["kind"];
      readonly name: string;
      readonly zone: string;
      readonly minutes: number;
      readonly gain: number;
      readonly chanceBetter: number;
      readonly carburettor?: number;
    }
  | ({ readonly kind: "ride" } & NextLook)
  | {
      readonly kind: "check";
      readonly fault: string;
      readonly check: string;
      readonly chance: number;
      readonly orElse?: string;
      readonly cylinder?: number;
    }
  | {
      readonly kind: "leave";
      readonly because: string;
      readonly chance: number;
      /** least known of what can be put right */
      readonly unknown?: string;
      /** chance after one ride more */
      readonly oneMore?: number;
    }
  | { readonly kind: "stop"; readonly because: string; readonly leanRisk: number };

/** @returns the next step with every change in one list; carburettors that differ are named in each */
export function publishedNext({ next, carburettors, groups }: Advice): PublishedNext {
  const [first = 0] = carburettors;
  const named = groups > 1 ? { carburettor: first + 1 } : {};
  switch (next.kind) {
    case "fit": {
      const { because, chanceBetter } = next;
      const changes = next.lines.flatMap(({ zone, changes: ofLine }) =>
        ofLine.map((change) => ({ ...change, zone, ...named })),
      );
      return { kind: "fit", changes, because, chanceBetter };
    }
    case "putBack":
      return {
        kind: "putBack",
        changes: next.changes.map((change) => ({ ...change, ...named })),
        ...(next.mended && { mended: next.mended }),
      };
    case "part": {
      const { part, zone, minutes, gain, chanceBetter } = next;
      return { kind: "part", part: part.kind, name: part.name, zone, minutes, gain, chanceBetter, ...named };
    }
    case "ride": {
      const { how, zone, along, settings, cylinder, minutes, gain, tells } = next;
      return {
        kind: "ride",
        how,
        ...(tells && { tells }),
        ...(zone !== undefined && { zone }),
        ...(along && { along }),
        ...(settings && { settings }),
        ...(cylinder !== undefined && { cylinder }),
        minutes,
        gain,
      };
    }
    case "leave": {
      const { because, chance, unknown, oneMore } = next;
      return {
        kind: "leave",
        because,
        chance,
        ...(unknown !== undefined && { unknown }),
        ...(oneMore && { oneMore: oneMore.chance }),
      };
    }
    default:
      return next;
  }
}

/** One reason as files say it, with a minus where it speaks against. */
function publishedReason(reason: Reason): string {
  const { kind, weight, ...rest } = reason;
  return `${weight < 0 ? "-" : ""}${[kind, ...Object.values(rest)].join(" ")}`;
}

export interface PublishedFault {
  readonly fault: string;
  readonly chance: number;
  readonly check: string;
  readonly because: readonly string[];
  readonly cylinder?: number;
}

/** @returns faults that no jet cures, the likeliest first */
export const publishedFaults = ({ faults }: Pick<Advice, "faults">): PublishedFault[] =>
  faults.map(({ fault, chance, check, because, cylinder }) => ({
    fault,
    chance,
    check,
    because: because.map(publishedReason),
    ...(cylinder !== undefined && { cylinder }),
  }));
