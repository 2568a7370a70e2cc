/** Back to the step that a page was opened from, with the rig that was open. */
import { useSyncExternalStore } from "react";
import { Link, useSearchParams } from "react-router";

/** A step of a rig, and nothing else: an address comes from anywhere. */
const STEP = /^\/rigs\/[\w:.-]{1,80}(\/[\w/-]{0,60})?$/;

const never = () => () => undefined;
/** The page was written before anybody asked for it: until scripts run it knows no way back. */
const useScripts = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

export function WayBack() {
  const [search] = useSearchParams();
  const from = search.get("from") ?? "";
  if (!useScripts() || !STEP.test(from)) return null;
  return (
    <p className="flush no-print">
      <Link to={from}>Back to where you were</Link>
    </p>
  );
}
