/** What a visit is about comes first: until its card stands, or it is clear that none comes, all else waits. */
import { useEffect } from "react";

let stands: () => void = () => undefined;
const standing = new Promise<void>((resolve) => {
  stands = resolve;
});

/** Long enough for a first visit on a slow phone; whoever waits for longer gets the rest at least. */
const LONGEST_MS = 5000;

/** Said by whoever draws a card, or stands where none comes. */
export function useCardStands(now: boolean): void {
  useEffect(() => {
    if (now) stands();
  }, [now]);
}

export const firstCard = (): Promise<void> =>
  Promise.race([standing, new Promise<void>((resolve) => void setTimeout(resolve, LONGEST_MS))]);
