import { useEffect, useState, useSyncExternalStore } from "react";
import type { Sample, Told } from "#core/instruments/sample.ts";
import { DeviceFeed, type FeedState } from "./feed.ts";

/** An instrument for as long as the screen is open: leaving it closes the port. */
export function useFeed<T extends Told = Sample>(): { feed: DeviceFeed<T>; state: FeedState<T> } {
  const [feed] = useState(() => new DeviceFeed<T>());
  useEffect(
    () => () => {
      void feed.stop();
    },
    [feed],
  );
  return { feed, state: useSyncExternalStore(feed.subscribe, feed.snapshot, feed.snapshot) };
}
