import { useEffect, useState } from "react";
import { askFace } from "#app/journal/judge.ts";
import type { RigFaceKept } from "#app/store/last-advice.ts";
import { revisionKey, type Revision } from "#app/workers/revision.ts";
import { wordsOf } from "#app/workers/on-demand.ts";

interface FaceState {
  readonly face?: RigFaceKept;
  readonly problem?: string;
}

/**
 * What a rig shows of itself; asked for once it comes into view.
 * @param kept - as it was last worked out of this revision: shown without asking
 */
export function useFace(revision: Revision, wanted: boolean, kept?: RigFaceKept): FaceState {
  const [state, setState] = useState<FaceState & { readonly of: string }>();
  const key = revisionKey(revision);
  useEffect(() => {
    if (!wanted || kept) return undefined;
    let current = true;
    askFace(revision).then(
      (face) => current && setState({ of: key, face }),
      (error: unknown) => current && setState({ of: key, problem: wordsOf(error) }),
    );
    return () => {
      current = false;
    };
    // The key names the revision.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, wanted, kept]);
  if (kept) return { face: kept };
  return state?.of === key ? state : {};
}
