import { useEffect } from "react";

/** Hook: screen wake lock, where the browser has one. */
export function useAwake(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !("wakeLock" in navigator)) return undefined;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const ask = () => {
      if (document.visibilityState !== "visible") return;
      navigator.wakeLock.request("screen").then(
        (granted) => {
          if (over) void granted.release();
          else lock = granted;
        },
        // Refused by an empty battery, say: the run goes on all the same.
        () => undefined,
      );
    };
    ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", ask);
      void lock?.release();
    };
  }, [wanted]);
}
