import { useEffect, useState, useSyncExternalStore } from "react";
import { DeviceFeed, type FeedState } from "./feed.ts";

/** An instrument for as long as the screen is open: leaving it closes the port. */
export function useFeed(): { feed: DeviceFeed; state: FeedState } {
  const [feed] = useState(() => new DeviceFeed());
  useEffect(
    () => () => {
      void feed.stop();
    },
    [feed],
  );
  return { feed, state: useSyncExternalStore(feed.subscribe, feed.snapshot, feed.snapshot) };
}
