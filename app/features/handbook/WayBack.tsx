/** Back to the step that a page was opened from, and to the page's own step on the rig that was open. */
import { useEffect } from "react";
import { Link, useSearchParams } from "react-router";
import type { HandbookPage } from "#app/vocabulary/handbook.ts";
import { useScripts } from "./use-scripts.ts";

/** A step of a rig, and nothing else: an address comes from anywhere. */
const STEP = /^\/rigs\/([\w:.-]{1,80})(\/[\w/-]{0,60})?$/;
/** Of this tab: pages are turned, and lead back all the same. */
const KEY = "tamis-handbook-from";

function kept(): string {
  try {
    return sessionStorage.getItem(KEY) ?? "";
  } catch {
    return "";
  }
}

function keep(from: string): void {
  try {
    sessionStorage.setItem(KEY, from);
  } catch {
    // A browser that keeps nothing leads back as long as the page is open.
  }
}

export function WayBack({ page }: { page: HandbookPage | undefined }) {
  const alive = useScripts();
  const [search] = useSearchParams();
  const asked = search.get("from") ?? "";
  const from = STEP.test(asked) ? asked : alive && asked === "" ? kept() : "";
  const [, rig] = STEP.exec(from) ?? [];
  useEffect(() => {
    if (STEP.test(asked)) keep(asked);
  }, [asked]);
  if (!alive || rig === undefined) return null;
  const step = page?.step === undefined ? undefined : `/rigs/${rig}/${page.step}`;
  return (
    <p className="row flush no-print">
      <Link to={from}>Back to where you were</Link>
      {step !== undefined && step.split("?")[0] !== from && <Link to={step}>Do it on your rig</Link>}
    </p>
  );
}
