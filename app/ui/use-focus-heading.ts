import { useEffect, useRef } from "react";
import { useLocation } from "react-router";

/**
 * Hook: moves focus to the heading after navigation, however late it comes, unless a field has it or the hand has
 * moved on. Where another heading takes the place of the one that has the focus, as Today's does with another answer,
 * the focus goes with it.
 */
export function useFocusHeading(): void {
  const { pathname } = useLocation();
  const last = useRef(pathname);
  useEffect(() => {
    if (last.current === pathname) return undefined;
    last.current = pathname;
    let left = document.activeElement;
    let given: HTMLElement | undefined;
    const focus = () => {
      if (given?.isConnected) return;
      const active = document.activeElement;
      if (active instanceof HTMLInputElement || active instanceof HTMLTextAreaElement) return;
      if (active !== document.body && active !== left) return;
      const heading = document.querySelector<HTMLElement>("main h1");
      if (!heading) return;
      heading.tabIndex = -1;
      heading.focus({ preventScroll: true });
      given = heading;
      left = null;
    };
    const frame = requestAnimationFrame(focus);
    const coming = new MutationObserver(focus);
    coming.observe(document.body, { childList: true, subtree: true });
    return () => {
      cancelAnimationFrame(frame);
      coming.disconnect();
    };
  }, [pathname]);
}
