import { useEffect, useRef } from "react";
import { useLocation } from "react-router";

const LONGEST_MS = 2000;

/**
 * Hook: moves focus to the heading after navigation, unless a field has it. Where another heading takes the place of
 * the one that has the focus, as Today's does with another answer, the focus goes with it.
 */
export function useFocusHeading(): void {
  const { pathname } = useLocation();
  const last = useRef(pathname);
  useEffect(() => {
    if (last.current === pathname) return undefined;
    last.current = pathname;
    const started = performance.now();
    let frame = 0;
    let given: HTMLElement | undefined;
    const focus = () => {
      const heading = document.querySelector<HTMLElement>("main h1");
      const active = document.activeElement;
      if (active instanceof HTMLInputElement || active instanceof HTMLTextAreaElement) return;
      if (heading) {
        heading.tabIndex = -1;
        heading.focus({ preventScroll: true });
        given = heading;
      } else if (performance.now() - started < LONGEST_MS) frame = requestAnimationFrame(focus);
    };
    frame = requestAnimationFrame(focus);
    const replaced = new MutationObserver(() => {
      if (given && !given.isConnected && document.activeElement === document.body) focus();
    });
    replaced.observe(document.body, { childList: true, subtree: true });
    return () => {
      cancelAnimationFrame(frame);
      replaced.disconnect();
    };
  }, [pathname]);
}
