import css from "./balance.module.css";
import { type UnitOf } from "#core/units/quantity.ts";
import { useWidth } from "#app/ui/use-width.ts";
import { formatQuantity } from "#app/vocabulary/numerals.ts";

interface GaugeBarsProps {
  readonly gaugesPa: readonly number[];
  readonly allowedPa: number;
  readonly unit: UnitOf<"vacuum">;
  /** carburettors (from 1) that the next step compares */
  readonly sides: readonly [readonly number[], readonly number[]] | undefined;
}

const ROW = 44;
const LEFT = 40;
const RIGHT = 96;

/** Bars from a common left edge, so that a step between them is seen, with the corridor they must end in. */
export function GaugeBars({ gaugesPa, allowedPa, unit, sides }: GaugeBarsProps) {
  const { ref, width } = useWidth<HTMLDivElement>(600);
  const [low, high] = [Math.min(...gaugesPa), Math.max(...gaugesPa)];
  const middle = (low + high) / 2;
  const reach = Math.max(high - low, 2 * allowedPa) * 0.75;
  const [from, to] = [middle - reach, middle + reach];
  const x = (pa: number): number => LEFT + ((pa - from) / (to - from)) * (width - LEFT - RIGHT);
  const height = gaugesPa.length * ROW + 8;
  const words = gaugesPa.map((pa, i) => `${i + 1}: ${formatQuantity("vacuum", pa, unit)}`).join(", ");
  const side = (i: number) =>
    sides?.[0].includes(i + 1) ? "first" : sides?.[1].includes(i + 1) ? "second" : "";
  return (
    <div ref={ref} className={css["gauges"]}>
      <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label={`Vacuum of each carburettor. ${words}`}>
        <rect
          className={css["corridor"]}
          x={x(middle - allowedPa / 2)}
          width={x(middle + allowedPa / 2) - x(middle - allowedPa / 2)}
          y={0}
          height={height}
        />
        {gaugesPa.map((pa, i) => (
          <g key={i} className={side(i)} transform={`translate(0 ${i * ROW + 8})`}>
            <text x={LEFT - 12} y={24} textAnchor="end">
              {i + 1}
            </text>
            <rect className={css["bar"]} x={LEFT} y={4} width={Math.max(2, x(pa) - LEFT)} height={28} />
            <text className={css["figure"]} x={width - 4} y={25} textAnchor="end">
              {formatQuantity("vacuum", pa, unit)}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}
