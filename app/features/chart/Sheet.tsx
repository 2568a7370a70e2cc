/** The chart itself, on screen and on paper: black on white, ridden air in full ink. */
import clsx from "clsx";
import { settingKey } from "#core/advice/judge/judge-setting.ts";
import { cellOf, type GridAsked } from "#core/chart/grid.ts";
import { wasRidden, type ChartGround } from "#core/chart/jetting-chart.ts";
import { lettered, type DrawnCell } from "#core/chart/letters.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { dayTitle } from "#app/vocabulary/days.ts";
import { fixed, formatNumber, formatQuantity } from "#app/vocabulary/numerals.ts";
import { partValue, percentWords } from "#app/vocabulary/parts.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { localInstant } from "#app/journal/clock.ts";
import css from "./chart.module.css";
import type { DrawnChart } from "./use-chart.ts";
import { restsOn, SIDE_WORDS, VALID } from "./words.ts";

interface SheetProps {
  readonly grid: GridAsked;
  readonly ground: ChartGround;
  readonly chart: DrawnChart;
}

function rowWords({ side }: GridAsked, value: number, units: Preferences): string {
  if (side === "height") return formatQuantity("length", value, units.length);
  return side === "pressure" ? formatQuantity("pressure", value, units.pressure) : `${fixed(value, 2)} kg/m³`;
}

export function Sheet({ grid, ground, chart: { cells, drawn } }: SheetProps) {
  const { header, preferences } = useRig();
  const at = new Map(drawn.map((cell) => [`${cell.row} ${cell.column}`, cell]));
  const settings = lettered(drawn);
  const today = ground.today && cellOf(cells, ground.today);
  const keyAt = (row: number, column: number) => {
    const cell = at.get(`${row} ${column}`);
    return cell && settingKey(cell.fit.setting);
  };
  const cellWords = ({ fit }: DrawnCell, letter: string) =>
    fit.safe ? (
      <>
        <strong>{letter}</strong> {partValue("main", fit.setting.main)}
      </>
    ) : (
      <span className={css["buy"]}>{fit.buyMain === undefined ? "no jet" : `buy ${fit.buyMain}`}</span>
    );
  const shims = [...settings.values()].some(({ setting }) => setting.shimMm !== 0);
  return (
    <article className={css["sheet"]} aria-label="Jetting chart">
      <header className={css["head"]}>
        <span className={css["plate"]}>{header.plate}</span>
        <div>
          <strong>{header.name}</strong> · {dayTitle(localInstant())}
          <br />
          {restsOn(ground)} {VALID}
        </div>
      </header>
      <div className="scroll-x">
        <table className={css["grid"]}>
          <caption className="label">
            What to fit, by temperature and {SIDE_WORDS[grid.side]}, at{" "}
            {fixed(100 * grid.relativeHumidity, 0)} % humidity
          </caption>
          <thead>
            <tr>
              <th scope="col">{SIDE_WORDS[grid.side]}</th>
              {grid.temperaturesK.map((kelvin) => (
                <th key={kelvin} scope="col">
                  {formatNumber("temperature", kelvin, preferences.temperature)} {preferences.temperature}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {grid.rows.map((value, row) => (
              <tr key={value}>
                <th scope="row">{rowWords(grid, value, preferences)}</th>
                {grid.temperaturesK.map((kelvin, column) => {
                  const cell = at.get(`${row} ${column}`);
                  const key = keyAt(row, column);
                  const edge = (other: string | undefined) =>
                    other !== undefined && key !== undefined && other !== key;
                  return (
                    <td
                      key={kelvin}
                      className={clsx(
                        cell && wasRidden(ground.ridden, cell.dryDensityKgM3) ? css["ridden"] : css["pale"],
                        edge(keyAt(row - 1, column)) && css["edge-top"],
                        edge(keyAt(row, column - 1)) && css["edge-left"],
                        today?.row === row && today.column === column && css["today"],
                      )}
                    >
                      {cell && key !== undefined ? cellWords(cell, settings.get(key)?.letter ?? "") : "…"}
                      {cell?.fit.safe && <small>{percentWords(cell.fit.right)}</small>}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <table className={css["settings"]}>
        <caption className="label">The settings</caption>
        <thead>
          <tr>
            <th scope="col">Letter</th>
            <th scope="col">Main</th>
            <th scope="col">Clip</th>
            {shims && <th scope="col">Washers</th>}
            <th scope="col">Screw</th>
            <th scope="col">Pilot</th>
          </tr>
        </thead>
        <tbody>
          {[...settings.values()].map(({ letter, setting }) => (
            <tr
              key={letter}
              className={settingKey(setting) === settingKey(ground.fitted) ? css["fitted"] : undefined}
            >
              <th scope="row">{letter}</th>
              <td>{partValue("main", setting.main)}</td>
              <td>{partValue("clip", setting.clip)}</td>
              {shims && <td>{partValue("shimMm", setting.shimMm)}</td>}
              <td>{partValue("screwTurns", setting.screwTurns)}</td>
              <td>{partValue("pilot", setting.pilot)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <footer>
        <p>
          Per cent: how sure the least sure of idle, middle and full throttle is. Full ink: air that was
          ridden in.
          {today && " Framed: the air that was read last."}
        </p>
        <p>
          <strong>Lean at full throttle destroys engines.</strong> Come from the rich side, one step, then
          look. Stop at any ping or specks. Rule book and local law come first.
          {header.simulated && " SIMULATED."}
        </p>
      </footer>
    </article>
  );
}
