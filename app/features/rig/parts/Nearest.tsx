/** Which of mine is nearest to this one: needles as the mixture they make, in per cent. */
import { useState } from "react";
import type { PartTried } from "#core/advice/parts/parts-on-bench.ts";
import type { NeedleNear, WhichNeedle } from "#core/advice/parts/parts-answer.ts";
import { ZONES } from "#core/carburettor/zones.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import { PickField } from "#app/ui/PickField.tsx";
import { partValue, shiftWords, sizeWords, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { LEAST_SHIFT } from "./PartList.tsx";

export function Nearest({ parts }: { parts: readonly PartTried[] }) {
  const [wanted, setWanted] = useState<WhichNeedle>("fitted");
  const needles = parts.flatMap(({ part }, i) =>
    part.kind === "needle" ? [{ which: i, name: part.name }] : [],
  );
  const stands = wanted === "fitted" || needles.some(({ which }) => which === wanted);
  const asked = stands ? wanted : "fitted";
  const { value, problem } = useJudge(needles.length === 0 ? undefined : { ask: "nearest", wanted: asked });
  if (needles.length === 0) return null;
  const nameOf = (which: WhichNeedle): string =>
    which === "fitted" ? "the one that is fitted" : (needles.find((one) => one.which === which)?.name ?? "");
  return (
    <section className="stack">
      <div>
        <h2>Which needle is nearest?</h2>
        <p className="quiet close">
          Two needles are compared as the mixture they make in this carburettor, each in its best groove.
        </p>
      </div>
      <PickField
        className="start"
        label="Nearest to"
        value={String(asked)}
        options={[
          ["fitted", "The one that is fitted"],
          ...needles.map(({ which, name }) => [String(which), name] as const),
        ]}
        onChange={({ target }) => setWanted(target.value === "fitted" ? "fitted" : Number(target.value))}
      />
      {problem !== undefined && <p className="quiet">{problem}</p>}
      {value && value.length === 0 && <p className="quiet">No other needle of the box can be in here.</p>}
      {value && value.length > 0 && <Table near={value} nameOf={nameOf} />}
    </section>
  );
}

function Table({ near, nameOf }: { near: readonly NeedleNear[]; nameOf: (which: WhichNeedle) => string }) {
  return (
    <div className="scroll-x">
      <table className="figures">
        <caption className="label">The nearest first</caption>
        <thead>
          <tr>
            <th scope="col">Needle</th>
            <th scope="col">In groove</th>
            <th scope="col">Apart</th>
            {ZONES.map((zone) => (
              <th key={zone} scope="col">
                {ZONE_NAMES[zone]}
              </th>
            ))}
            <th scope="col">Most</th>
          </tr>
        </thead>
        <tbody>
          {near.map(({ which, clip, apart, zones, worst }) => (
            <tr key={String(which)}>
              <th scope="row">{nameOf(which)}</th>
              <td>{partValue("clip", clip)}</td>
              <td>{sizeWords(100 * apart)}</td>
              {ZONES.map((zone) => (
                <td key={zone}>{Math.abs(zones[zone]) < LEAST_SHIFT ? "–" : shiftWords(zones[zone])}</td>
              ))}
              <td>
                {shiftWords(worst.difference)}
                <small className="quiet under">at {Math.round(100 * worst.throttle)} % throttle</small>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
