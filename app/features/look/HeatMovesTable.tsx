import { useMemo } from "react";
import type { HeatSensor } from "#core/log/parts.ts";
import { buildOfCarburettor } from "#core/rig/carburettors.ts";
import { heatMoves, type HeatMove } from "#core/advice/plan/heat-moves.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { shiftWords } from "#app/vocabulary/parts.ts";
import { formatTurns } from "#app/vocabulary/numerals.ts";

const NAMES: Readonly<Record<HeatMove["part"], string>> = {
  pilot: "Pilot jet",
  lowAirJet: "Low air jet",
  screwTurns: "Mixture screw",
  main: "Main jet",
  highAirJet: "High air jet",
};
const WHERE = { start: "Start line", finish: "Finish" } as const;

function step({ part, from, to }: HeatMove): string {
  if (part === "screwTurns") return `${formatTurns(from)} → ${formatTurns(to)}`;
  const unit = part === "lowAirJet" || part === "highAirJet" ? " mm" : "";
  return `${from} → ${to}${unit}`;
}

/** What each move is worth, start line first: a hotter figure wants a richer move, a cooler one a leaner. */
export function HeatMovesTable({ sensor }: { sensor: HeatSensor }) {
  const { build, fitted, advice, carburettor } = useRig();
  const air = advice?.air.air;
  const all = useMemo(
    () => (air ? heatMoves(buildOfCarburettor(build, carburettor), fitted, air) : []),
    [build, fitted, air, carburettor],
  );
  if (sensor !== "head") return null;
  return (
    <div className="scroll-x" tabIndex={0} role="region" aria-label="Moves">
      <table className="figures">
        <caption className="label">What moves it, start line first</caption>
        <thead>
          <tr>
            <th scope="col">Where</th>
            <th scope="col">Move</th>
            <th scope="col">Step</th>
            <th scope="col">Does</th>
            <th scope="col">Then it runs</th>
          </tr>
        </thead>
        <tbody>
          {all.map((move) => (
            <tr key={`${move.part} ${move.to}`}>
              <th scope="row">{WHERE[move.where]}</th>
              <td>
                {NAMES[move.part]} <small className="quiet">{move.weight}</small>
              </td>
              <td>{step(move)}</td>
              <td>{shiftWords(move.effect)}</td>
              <td>{move.effect > 0 ? "hotter" : "cooler"}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
