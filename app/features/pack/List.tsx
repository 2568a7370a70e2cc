/** What to take, part by part: how likely each is the best, and whether it lies in the box. */
import css from "./pack.module.css";
import clsx from "clsx";
import Check from "@mui/icons-material/Check";
import { PARTS, type Part } from "#core/log/parts.ts";
import type { PackList } from "#core/pack/pack-list.ts";
import { PART_NAMES, partValueInFull, percentWords } from "#app/vocabulary/parts.ts";
import { taken } from "./words.ts";

const HAVING: Readonly<Record<Part, string>> = {
  main: "in the box",
  pilot: "in the box",
  shimMm: "in the box",
  clip: "a groove of the needle",
  screwTurns: "turns of the screw",
};

const NEEDS_NOTHING: readonly Part[] = ["clip", "screwTurns"];

export function List({ list }: { list: PackList }) {
  return (
    <div className={css["parts"]}>
      {PARTS.filter((part) => part !== "shimMm" || list.wanted.shimMm.length > 1).map((part) => {
        const wanted = list.wanted[part];
        const most = Math.max(...wanted.map(({ chance }) => chance));
        const take = taken(wanted);
        return (
          <section key={part} aria-label={PART_NAMES[part]}>
            <h2>{PART_NAMES[part]}</h2>
            <ul>
              {wanted.map(({ value, chance, owned }) => (
                <li key={value} className={clsx(!take.has(value) && css["home"])}>
                  <strong>{partValueInFull(part, value)}</strong>
                  <span className={css["bar"]} aria-hidden="true">
                    <span style={{ width: `${(100 * chance) / most}%` }} />
                  </span>
                  <span>{percentWords(chance)}</span>
                  <span className={css["have"]}>
                    {NEEDS_NOTHING.includes(part) ? (
                      <span className="quiet">{take.has(value) ? "" : "hardly"}</span>
                    ) : owned ? (
                      <>
                        <Check fontSize="small" aria-hidden="true" /> {HAVING[part]}
                      </>
                    ) : (
                      <em>not there</em>
                    )}
                  </span>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
