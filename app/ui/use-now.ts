import { useEffect, useState } from "react";

const EVERY_MS = 15_000;

/** The clock, often enough for minutes that are counted down. */
export function useNow(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const ticking = setInterval(() => setNow(Date.now()), EVERY_MS);
    return () => clearInterval(ticking);
  }, []);
  return now;
}
