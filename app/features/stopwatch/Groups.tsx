import css from "./stopwatch.module.css";
import { changedParts } from "#core/log/settings.ts";
import type { Setting } from "#core/log/schema.ts";
import { type RunsOfAKind } from "./form.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { PART_NAMES, partValue } from "#app/vocabulary/parts.ts";
import { runFigure } from "#app/vocabulary/runs.ts";

/** What sets one setting apart from the first that was run. */
export function settingWords(settings: readonly Setting[], reference: readonly Setting[]): string {
  const [one, first] = [settings[0], reference[0]];
  if (!one || !first) return "";
  const parts = changedParts(first, one);
  const named = parts.length > 0 ? parts : (["main", "clip"] as const);
  return named.map((part) => `${PART_NAMES[part].toLowerCase()} ${partValue(part, one[part])}`).join(", ");
}

/** Two settings, and nobody has gone back to the first: what drifts over a session may be all there is. */
export function BackToTheFirst({ kind }: { kind: RunsOfAKind }) {
  const [first, second] = kind.groups;
  const [lastOfFirst, began] = [first?.runs.at(-1)?.entry.at, second?.runs[0]?.entry.at];
  if (lastOfFirst === undefined || began === undefined) return null;
  if (Date.parse(lastOfFirst) > Date.parse(began)) return null;
  return (
    <p className="quiet flush">
      Run the first setting once more (A-B-A). Heat, track and rider change over a session. Only going back
      separates that from the jets. Until then these runs count for much less.
    </p>
  );
}

export function Groups({ kind }: { kind: RunsOfAKind }) {
  const { preferences } = useRig();
  return (
    <ol className={css["run-groups"]} aria-label={`Runs: ${kind.name}`}>
      {kind.groups.map(({ settings, runs }, i) => (
        <li key={i}>
          <span className="label">{settingWords(settings, kind.groups[0]?.settings ?? [])}</span>
          <span>{runs.map(({ entry }) => runFigure(entry.run, preferences)).join(" · ")}</span>
        </li>
      ))}
    </ol>
  );
}
