/** Hook: whether the phone's layout is on, as the style sheets have it. */
import { useSyncExternalStore } from "react";

const NARROW = "(max-width: 1023px)";

function follow(changed: () => void): () => void {
  const narrow = matchMedia(NARROW);
  narrow.addEventListener("change", changed);
  return () => narrow.removeEventListener("change", changed);
}

/** For what must not be drawn twice; what is only placed elsewhere is for the style sheets. */
export const useIsPhone = (): boolean =>
  useSyncExternalStore(
    follow,
    () => matchMedia(NARROW).matches,
    () => false,
  );
