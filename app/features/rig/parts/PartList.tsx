/** What lies in the box to be swapped: each with what it does to each zone, the rest as it is fitted. */
import css from "./parts.module.css";
import Button from "@mui/material/Button";
import { ZONES } from "#core/carburettor/zones.ts";
import type { PartTried } from "#core/advice/parts/parts-on-bench.ts";
import { capital, certainty, shiftWords, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { PART_KIND_NAMES, partMeasure } from "#app/vocabulary/bench-parts.ts";
import { RemoveButton } from "../box/fields.tsx";

/** Less than this nobody could feel or read. */
export const LEAST_SHIFT = 0.002;

interface PartListProps {
  readonly parts: readonly PartTried[];
  readonly chosen: string | undefined;
  readonly busy: boolean;
  readonly onChoose: (name: string) => void;
  readonly onRemove: (name: string) => void;
}

/** What it would bring with the rest set again for it. */
function worthWords(tried: PartTried): string {
  if (tried.state === "fitted") return "in the carburettor";
  if (tried.state === "impossible") return "cannot be here";
  if (!tried.safe) return "too lean at full throttle";
  return tried.gain > 0 ? certainty(tried.chanceBetter) : "not worth its work";
}

export function PartList({ parts, chosen, busy, onChoose, onRemove }: PartListProps) {
  if (parts.length === 0)
    return (
      <p className="quiet flush">
        None in the box yet. Measure what you have next to the one that is fitted. Use a micrometer along a
        needle, a drill’s shank in a needle jet, a rule at a cutaway.
      </p>
    );
  return (
    <div className="scroll-x">
      <table className="figures">
        <caption className="label">In the box, and what each does with the rest as it is fitted</caption>
        <thead>
          <tr>
            <th scope="col">Part</th>
            {ZONES.map((zone) => (
              <th key={zone} scope="col">
                {ZONE_NAMES[zone]}
              </th>
            ))}
            <th scope="col">Better, all set for it</th>
            <th scope="col">
              <span className="visually-hidden">Out of the box</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {parts.map((tried) => {
            const { part, minutes, state } = tried;
            return (
              <tr key={part.name} className={state === "fitted" ? "chosen" : ""}>
                <th scope="row" className={css["part"]}>
                  <Button
                    className="cell-button"
                    aria-pressed={part.name === chosen}
                    onClick={() => onChoose(part.name)}
                  >
                    {capital(part.name)}
                  </Button>
                  <small className="quiet under">
                    {PART_KIND_NAMES[part.kind]}, {partMeasure(part)}
                  </small>
                </th>
                {ZONES.map((zone) => (
                  <td key={zone}>
                    {state === "tried" && Math.abs(tried.effect[zone]) >= LEAST_SHIFT
                      ? shiftWords(tried.effect[zone])
                      : "–"}
                  </td>
                ))}
                <td>
                  {worthWords(tried)}
                  {state === "tried" && <small className="quiet under">{minutes} minutes</small>}
                </td>
                <td>
                  <span inert={busy}>
                    <RemoveButton
                      label={`Take ${part.name} out of the box`}
                      onClick={() => onRemove(part.name)}
                    />
                  </span>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
