/** The base sheet on paper, as it is kept: what is being typed is not printed. */
import { PARTS } from "#core/log/parts.ts";
import type { BaseSheet } from "#core/log/schema.ts";
import { MeasureName } from "#core/log/walk-round-names.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { PART_NAMES, partValue } from "#app/vocabulary/parts.ts";
import { MEASURE_WORDS } from "#app/vocabulary/measures.ts";
import { UNSTAMPED } from "#app/frame/limits.ts";

const orDash = (value: number | undefined): string => (value === undefined ? "–" : String(value));

export function PaperSheet({ sheet }: { sheet: BaseSheet }) {
  const { header } = useRig();
  const limits = MeasureName.options.flatMap((measure) => {
    const limit = sheet.limits[measure];
    return limit ? [{ measure, ...limit }] : [];
  });
  return (
    <div className="stack">
      <h1>Base sheet {sheet.stamp === UNSTAMPED ? "" : sheet.stamp}</h1>
      <p className="flush">
        <strong>
          {header.plate} · {header.name}
        </strong>
        {sheet.source !== "" && ` · ${sheet.source}`}
      </p>
      <table className="figures">
        <caption className="label">Base setting</caption>
        <tbody>
          {PARTS.map((part) => (
            <tr key={part}>
              <th scope="row">{PART_NAMES[part]}</th>
              <td>{partValue(part, sheet.setting[part])}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {limits.length > 0 && (
        <table className="figures">
          <caption className="label">Limits</caption>
          <thead>
            <tr>
              <th scope="col">Measure</th>
              <th scope="col">From</th>
              <th scope="col">To</th>
              <th scope="col">By</th>
            </tr>
          </thead>
          <tbody>
            {limits.map(({ measure, min, max, source }) => (
              <tr key={measure}>
                <th scope="row">
                  {MEASURE_WORDS[measure].label}, {MEASURE_WORDS[measure].unit}
                </th>
                <td>{orDash(min)}</td>
                <td>{orDash(max)}</td>
                <td>{source}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="flush">Limits for your make are in its manual.</p>
    </div>
  );
}
