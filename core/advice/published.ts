/** Advice as the command line and files publish it: one flat object a group of carburettors. */
import type { Advice } from "./advise.ts";
import type { NextLook } from "./next-look.ts";

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
  | { readonly kind: "putBack"; readonly changes: readonly PublishedChange[] }
  | ({ readonly kind: "look" } & NextLook)
  | {
      readonly kind: "check";
      readonly fault: string;
      readonly check: string;
      readonly chance: number;
      readonly cylinder?: number;
    }
  | { readonly kind: "leave"; readonly because: string; readonly chance: number }
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
      return { kind: "putBack", changes: next.changes.map((change) => ({ ...change, ...named })) };
    case "look": {
      const { how, zone, settings, cylinder, minutes, gain } = next;
      return {
        kind: "look",
        how,
        ...(zone !== undefined && { zone }),
        ...(settings && { settings }),
        ...(cylinder !== undefined && { cylinder }),
        minutes,
        gain,
      };
    }
    default:
      return next;
  }
}
