import { useEffect, useState } from "react";
import { askFace } from "#app/journal/judge.ts";
import type { RigFaceKept } from "#app/store/last-advice.ts";
import { wordsOf } from "#app/workers/on-demand.ts";

interface FaceState {
  readonly face?: RigFaceKept;
  readonly problem?: string;
}

/**
 * What a rig shows of itself; asked for once it comes into view.
 * @param kept - as it was last worked out of this revision: shown without asking
 */
export function useFace(rigId: string, revision: string, wanted: boolean, kept?: RigFaceKept): FaceState {
  const [state, setState] = useState<FaceState & { readonly revision: string }>();
  useEffect(() => {
    if (!wanted || kept) return undefined;
    let current = true;
    askFace(rigId, revision).then(
      (face) => current && setState({ revision, face }),
      (error: unknown) => current && setState({ revision, problem: wordsOf(error) }),
    );
    return () => {
      current = false;
    };
  }, [rigId, revision, wanted, kept]);
  if (kept) return { face: kept };
  return state?.revision === revision ? state : {};
}
