import { useEffect, useRef, useState, type RefObject } from "react";

/** @returns where to look, and whether it has come into view yet, or is about to */
export function useInView<T extends Element>(): readonly [RefObject<T | null>, boolean] {
  const place = useRef<T>(null);
  const [seen, setSeen] = useState(typeof IntersectionObserver === "undefined");
  useEffect(() => {
    const element = place.current;
    if (seen || !element) return undefined;
    const observer = new IntersectionObserver(
      (entries) => {
        if (entries.some(({ isIntersecting }) => isIntersecting)) setSeen(true);
      },
      { rootMargin: "200px" },
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, [seen]);
  return [place, seen];
}
