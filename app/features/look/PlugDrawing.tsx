import css from "./look.module.css";
import { PLUG_PLACES, type Tone } from "#core/log/parts.ts";
import type { PlugSpot } from "#core/pictures/plug-scene.ts";
import { TONE_COLOURS } from "#app/theme/colours.ts";
import { PLUG_PLACE_WORDS } from "#app/vocabulary/readings.ts";

export const PLUG_SPOTS: readonly PlugSpot[] = ["root", ...PLUG_PLACES];
export type PlugTones = Readonly<Partial<Record<PlugSpot, Tone | undefined>>>;

interface PlugDrawingProps {
  readonly tones: PlugTones;
  readonly chosen: PlugSpot;
  readonly onChoose: (spot: PlugSpot) => void;
}

const INK = { stroke: "var(--ink)", strokeWidth: 2 } as const;

/** Where each spot lies: on the side view and looking into the plug. */
const SHAPES: Readonly<Record<PlugSpot, readonly string[]>> = {
  ring: ["M24 74 h72 v13 h-72 z", "M204 84 m-56 0 a56 56 0 1 0 112 0 a56 56 0 1 0 -112 0 z"],
  root: ["M42 87 h36 l-5 15 h-26 z", "M204 84 m-38 0 a38 38 0 1 0 76 0 a38 38 0 1 0 -76 0 z"],
  face: ["M47 102 h26 l-4 14 h-18 z", "M204 84 m-22 0 a22 22 0 1 0 44 0 a22 22 0 1 0 -44 0 z"],
  strap: ["M88 87 v45 h-36 v-7 h28 v-38 z", "M196 28 h16 v58 h-16 z"],
};

/**
 * A plug's firing end from the side and from the front, with four spots to judge. Tapping a spot chooses it;
 * the same choice stands beside it as buttons, so the drawing itself needs no keys.
 */
export function PlugDrawing({ tones, chosen, onChoose }: PlugDrawingProps) {
  const fill = (spot: PlugSpot) => {
    const tone = tones[spot];
    return tone ? TONE_COLOURS[tone] : "var(--sheet)";
  };
  const said = PLUG_SPOTS.flatMap((spot) => {
    const tone = tones[spot];
    return tone ? [`${PLUG_PLACE_WORDS[spot].name}: ${tone}`] : [];
  });
  return (
    <svg
      className={css["plug-drawing"]}
      width="264"
      height="152"
      viewBox="0 0 264 152"
      role="img"
      aria-label={said.length === 0 ? "Plug, no tone chosen" : `Plug. ${said.join(". ")}`}
    >
      <path d="M16 4 h88 v18 h-88 z" {...INK} fill="var(--sheet)" />
      {[26, 36, 46, 56, 66].map((y) => (
        <path key={y} d={`M24 ${y} h72 l4 4 h-80 z`} {...INK} fill="var(--sheet)" />
      ))}
      {PLUG_SPOTS.toSorted((a, b) => drawnLast(a, b)).map((spot) => (
        <g key={spot} onClick={() => onChoose(spot)} style={{ cursor: "pointer" }}>
          {SHAPES[spot].map((d) => (
            <path
              key={d}
              d={d}
              {...INK}
              stroke={spot === chosen ? "var(--petrol)" : INK.stroke}
              strokeWidth={spot === chosen ? 3.5 : INK.strokeWidth}
              fill={fill(spot)}
            />
          ))}
        </g>
      ))}
      <rect x="56" y="116" width="8" height="7" {...INK} fill="var(--layer-needle)" pointerEvents="none" />
      <circle cx="204" cy="84" r="7" {...INK} fill="var(--layer-needle)" pointerEvents="none" />
    </svg>
  );
}

/** The ring lies under everything, the strap over it. */
const DEPTH: readonly PlugSpot[] = ["ring", "root", "face", "strap"];
const drawnLast = (a: PlugSpot, b: PlugSpot): number => DEPTH.indexOf(a) - DEPTH.indexOf(b);
