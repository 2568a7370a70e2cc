import { useEffect, useState } from "react";
import type { Entry } from "#core/log/schema.ts";
import type { Distribution } from "#core/advice/cylinders.ts";
import { askDistribution } from "#app/journal/judge.ts";
import { wordsOf } from "#app/workers/on-demand.ts";

interface DistributionState {
  readonly distribution: Distribution | undefined;
  readonly problem: string | undefined;
}

/** Asks the worker about the cylinders; the last answer stays while a new one is worked out. */
export function useDistribution(revision: string, entries: readonly Entry[]): DistributionState {
  const [state, setState] = useState<DistributionState>({ distribution: undefined, problem: undefined });
  useEffect(() => {
    let current = true;
    askDistribution(revision, entries).then(
      (distribution) => current && setState({ distribution, problem: undefined }),
      (error: unknown) => current && setState((last) => ({ ...last, problem: wordsOf(error) })),
    );
    return () => {
      current = false;
    };
    // The entries belong to the revision.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [revision]);
  return state;
}
