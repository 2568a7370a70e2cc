import { useEffect, useRef } from "react";
import { useLocation } from "react-router";

const LONGEST_MS = 2000;

/** After a change of screens the reader begins at its heading, unless something there is being typed already. */
export function useFocusHeading(): void {
  const { pathname } = useLocation();
  const last = useRef(pathname);
  useEffect(() => {
    if (last.current === pathname) return undefined;
    last.current = pathname;
    const started = performance.now();
    let frame = 0;
    const focus = () => {
      const heading = document.querySelector<HTMLElement>("main h1");
      const active = document.activeElement;
      if (active instanceof HTMLInputElement || active instanceof HTMLTextAreaElement) return;
      if (heading) {
        heading.tabIndex = -1;
        heading.focus({ preventScroll: true });
      } else if (performance.now() - started < LONGEST_MS) frame = requestAnimationFrame(focus);
    };
    frame = requestAnimationFrame(focus);
    return () => cancelAnimationFrame(frame);
  }, [pathname]);
}
