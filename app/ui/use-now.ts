import { useEffect, useState } from "react";

const EVERY_MS = 15_000;

/** Hook: the current time, updated every few seconds. */
export function useNow(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const ticking = setInterval(() => setNow(Date.now()), EVERY_MS);
    return () => clearInterval(ticking);
  }, []);
  return now;
}
