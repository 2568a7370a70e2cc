import { useSyncExternalStore } from "react";

const never = () => () => undefined;

/** @returns whether scripts run: a page was written before anybody asked for it */
export const useScripts = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
