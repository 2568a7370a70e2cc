import Slider from "@mui/material/Slider";
import { useState } from "react";
import { jetArea } from "#core/carburettor/jet.ts";
import type { Build } from "#core/log/schema.ts";
import { rigFromBuild } from "#core/rig/from-build.ts";
import { Choice } from "#app/ui/Choice.tsx";
import { needleOutline, needleView, type NeedleScale } from "./geometry.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

const WIDTH = 340;
const HEIGHT = 320;
/** Widths are drawn this many times wider than lengths. */
const WIDER = 6;

function Body({ build, scale }: { build: Build; scale: NeedleScale }) {
  const { boreMm, needleJetMm } = build.carburettor;
  const half = (needleJetMm / 2) * scale.across;
  const ceiling = scale.mouth - boreMm * scale.along;
  const depth = HEIGHT - scale.mouth;
  const wall = { fill: "var(--layer-needle)", stroke: "var(--ink)", strokeWidth: 1.5 };
  return (
    <g>
      <rect x={4} y={scale.mouth} width={scale.x - half - 4} height={depth - 4} {...wall} />
      <rect
        x={scale.x + half}
        y={scale.mouth}
        width={WIDTH - scale.x - half - 4}
        height={depth - 4}
        {...wall}
      />
      <line x1={4} x2={WIDTH - 4} y1={ceiling} y2={ceiling} stroke="var(--ink)" strokeDasharray="4 4" />
      <text x={8} y={ceiling + 15} fontSize="12" fill="var(--quiet)">
        bore
      </text>
      <text x={8} y={ceiling + 30} fontSize="12" fill="var(--quiet)">
        {boreMm} mm
      </text>
    </g>
  );
}

/** Needle, jet and slide from their measures: the throttle moves them, the clip shows what a groove does. */
export function NeedleDrawing({ build }: { build: Build }) {
  const { needle, boreMm } = build.carburettor;
  const fitted = build.baseline.setting;
  const [throttle, setThrottle] = useState(0.45);
  const [clip, setClip] = useState(fitted.clip);
  const groove = Math.min(clip, needle.grooves);
  const view = needleView(build, throttle, groove, fitted.shimMm);
  const along = Math.min(3.6, (HEIGHT - 130) / boreMm);
  const scale: NeedleScale = { x: WIDTH / 2, mouth: HEIGHT - 118, along, across: along * WIDER };
  const slideBottom = scale.mouth - view.liftMm * scale.along;
  const mainMm2 = jetArea(fitted.main, rigFromBuild(build).carburettor.mainNumbering) * 1e6;
  return (
    <figure className="stack flush">
      <svg
        width={WIDTH}
        height={HEIGHT}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={`Needle in its jet at ${Math.round(100 * throttle)} % throttle`}
        style={{ maxWidth: "100%" }}
      >
        <Body build={build} scale={scale} />
        <rect
          x={70}
          y={2}
          width={WIDTH - 140}
          height={Math.max(2, slideBottom - 2)}
          fill="var(--corridor)"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        <text x={78} y={18} fontSize="12" fill="var(--ink)">
          slide, lifted {fixed(view.liftMm, 1)} mm
        </text>
        <path
          d={needleOutline(build, view, scale, slideBottom)}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth="1.75"
        />
        <line
          x1={scale.x + 30}
          x2={WIDTH - 12}
          y1={scale.mouth}
          y2={scale.mouth}
          stroke="var(--petrol)"
          strokeWidth="2.5"
        />
      </svg>
      <figcaption>
        Open ring <strong>{fixed(view.ringMm2, 2)} mm²</strong> where the needle is{" "}
        {fixed(view.diameterMm, 2)} mm thick; the main jet has {fixed(mainMm2, 2)} mm².{" "}
        {view.ringMm2 * 0.7 < mainMm2 * 0.8 ? "The needle rules here." : "The main jet rules here."}{" "}
        <span className="quiet">Widths are drawn {WIDER} times wider than lengths.</span>
      </figcaption>
      <label>
        <span className="label">Throttle, {Math.round(100 * throttle)} %</span>
        <Slider
          value={throttle}
          min={0}
          max={1}
          step={0.01}
          aria-label="Throttle"
          onChange={(_, value) => setThrottle(value)}
        />
      </label>
      <Choice
        label="Groove from the top"
        value={String(groove)}
        options={Array.from({ length: Math.min(needle.grooves, 7) }, (_, i) => ({
          value: String(i + 1),
          text: String(i + 1),
        }))}
        onChange={(value) => setClip(Number(value))}
      />
    </figure>
  );
}
