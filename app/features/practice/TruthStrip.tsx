/** The truth along the throttle: how the engine came, and how it was left. */
import { ZONES, type PerZone } from "#core/carburettor/zones.ts";
import { ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { mixtureShort } from "./words.ts";
import css from "./practice.module.css";

interface TruthStripProps {
  readonly start: PerZone<number>;
  readonly end: PerZone<number>;
  /** mixture error at the edge, log */
  readonly scale: number;
}

const WIDTH = 470;
const HEIGHT = 170;
const MIDDLE = 78;
const REACH = 58;

export function TruthStrip({ start, end, scale }: TruthStripProps) {
  const x = (i: number) => 92 + (i * (WIDTH - 138)) / (ZONES.length - 1);
  const y = (error: number) => MIDDLE - (REACH * Math.min(scale, Math.max(-scale, error))) / scale;
  const line = (errors: PerZone<number>) =>
    ZONES.map((zone, i) => `${x(i).toFixed(1)},${y(errors[zone]).toFixed(1)}`).join(" ");
  const words = ZONES.map(
    (zone) =>
      `${ZONE_NAMES[zone]} ${mixtureShort(start[zone])} at first, ${mixtureShort(end[zone])} at the end`,
  ).join("; ");
  return (
    <figure className={css["truth"]}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={`The truth: ${words}`}>
        <rect
          x={48}
          y={y(0.05)}
          width={WIDTH - 52}
          height={y(-0.05) - y(0.05)}
          className={css["right-band"]}
        />
        <line x1={48} x2={WIDTH - 4} y1={MIDDLE} y2={MIDDLE} className={css["zero"]} />
        <text x={4} y={y(scale) + 14}>
          lean
        </text>
        <text x={4} y={MIDDLE + 5}>
          right
        </text>
        <text x={4} y={y(-scale)}>
          rich
        </text>
        <polyline points={line(start)} className={css["first"]} />
        <polyline points={line(end)} className={css["last"]} />
        {ZONES.map((zone, i) => (
          <g key={zone}>
            <circle cx={x(i)} cy={y(start[zone])} r={6} className={css["first-dot"]} />
            <circle cx={x(i)} cy={y(end[zone])} r={7} className={css["last-dot"]} />
            <text x={x(i)} y={HEIGHT - 8} textAnchor="middle">
              {ZONE_NAMES[zone]}
            </text>
          </g>
        ))}
      </svg>
      <figcaption className="quiet">Open rings: how it came. Full dots: how you left it.</figcaption>
    </figure>
  );
}
