import css from "./compare.module.css";
import { changedParts } from "#core/log/settings.ts";
import { PARTS } from "#core/log/parts.ts";
import type { Setting } from "#core/log/schema.ts";
import { PART_NAMES, partValue } from "#app/vocabulary/parts.ts";

/** A setting, with what differs from another one marked. */
export function SettingList({ setting, other }: { setting: Setting; other: Setting }) {
  const differ = changedParts(setting, other);
  const shown = PARTS.filter((part) => part !== "shimMm" || setting.shimMm !== 0 || other.shimMm !== 0);
  return (
    <dl className={css["setting"]}>
      {shown.map((part) => (
        <div key={part} className={differ.includes(part) ? css["differs"] : undefined}>
          <dt>{PART_NAMES[part]}</dt>
          <dd>
            {partValue(part, setting[part])}
            {differ.includes(part) && <span className="visually-hidden"> (differs)</span>}
          </dd>
        </div>
      ))}
    </dl>
  );
}
