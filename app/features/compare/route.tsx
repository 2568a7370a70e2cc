import { Link, useSearchParams } from "react-router";
import { comparableDays } from "#core/day/compare-days.ts";
import { settingsFitted } from "#core/day/compare-settings.ts";
import { placeHref } from "#app/frame/places.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { Days } from "./Days.tsx";
import { Settings } from "./Settings.tsx";
import { TrendPanel } from "./TrendPanel.tsx";

function CompareDays() {
  const { header, present } = useRig();
  const days = comparableDays({ present });
  if (days.length >= 2) return <Days days={days} />;
  return (
    <p className="quiet flush">
      You need two days with an air reading. <Link to={placeHref(header.id, "air")}>Read the air</Link>
    </p>
  );
}

function CompareSettings() {
  const { header, present, carburettor } = useRig();
  const [one, two, ...rest] = settingsFitted({ present }, carburettor);
  if (!present.air)
    return (
      <p className="quiet flush">
        To compare settings we need an air. <Link to={placeHref(header.id, "air")}>Read the air</Link>
      </p>
    );
  if (one && two) return <Settings fitted={[one, two, ...rest]} />;
  return (
    <p className="quiet flush">
      Only one setting was ever fitted. <Link to={placeHref(header.id, "what-if")}>What if?</Link> holds any
      other beside it.
    </p>
  );
}

export default function CompareRoute() {
  const { header } = useRig();
  const [query] = useSearchParams();
  const bySettings = query.get("by") === "settings";
  const tab = (by: string, words: string, here: boolean) => (
    <Link to={`${placeHref(header.id, "compare")}${by}`} aria-current={here ? "page" : undefined}>
      {words}
    </Link>
  );
  return (
    <div className="stack wide">
      <div>
        <h1>{bySettings ? "Two settings side by side" : "Two days side by side"}</h1>
        <p className="lead quiet">
          {bySettings
            ? "Two settings you have fitted, both in today’s air."
            : "What the air did, what the parts did, and what is left: the engine itself."}
        </p>
      </div>
      <nav className="tabs" aria-label="Side by side">
        {tab("", "Days", !bySettings)}
        {tab("?by=settings", "Settings", bySettings)}
      </nav>
      {bySettings ? <CompareSettings /> : <CompareDays />}
      <TrendPanel />
    </div>
  );
}
