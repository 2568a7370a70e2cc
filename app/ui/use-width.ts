import { useEffect, useRef, useState } from "react";

/** The width of an element, followed as it changes; `usual` until it is known. */
export function useWidth<E extends HTMLElement>(usual: number) {
  const ref = useRef<E>(null);
  const [width, setWidth] = useState(usual);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => {
      if (entry && entry.contentRect.width > 0) setWidth(entry.contentRect.width);
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return { ref, width };
}
