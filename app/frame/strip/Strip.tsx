/** The strip: the throttle as a ruler, the mixture believed along it, and who feeds where. */
import clsx from "clsx";
import css from "./strip.module.css";
import { memo, useId } from "react";
import { Link } from "react-router";
import { ZONE_EDGES, rulerPosition, type Zone } from "#core/carburettor/zones.ts";
import type { Tone } from "#core/log/parts.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import { TOLERANCE } from "#core/advice/judge/judge-setting.ts";
import { useWidth } from "#app/ui/use-width.ts";
import { LIGHT_TONES, TONE_COLOURS } from "#app/theme/colours.ts";
import { ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { zoneState } from "./zone-state.ts";
import {
  dangerPath,
  doubtPath,
  layerPath,
  limitPath,
  linePath,
  markPosition,
  xAt,
  yAt,
  ZONE_SPANS,
  type StripSize,
} from "./geometry.ts";

/** A look to be drawn: its number of the day and its face. */
export interface LookFace {
  readonly lookId: string;
  readonly number: number;
  readonly face: Tone | "lambda";
}

interface StripProps {
  readonly advice: Advice;
  readonly looks: readonly LookFace[];
  readonly live?: LiveMark | undefined;
  readonly working: boolean;
  /** where tapping a zone leads */
  readonly zoneHref: (zone: string) => string;
}

/** Of an advice, or of a setting tried on paper. */
type Drawn = Pick<Advice, "strip">;

const HEIGHT = 196;

function Ground({ size, id }: { size: StripSize; id: string }) {
  const corridorTop = yAt(size, TOLERANCE);
  return (
    <g>
      <defs>
        <pattern id={id} width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="8" stroke="var(--hatch)" strokeWidth="2" />
        </pattern>
      </defs>
      <rect
        x={size.left}
        y={corridorTop}
        width={size.right - size.left}
        height={yAt(size, -TOLERANCE) - corridorTop}
        fill="var(--corridor)"
      />
      <path d={dangerPath(size)} fill={`url(#${id})`} />
      <path d={limitPath(size)} fill="none" stroke="var(--signal)" strokeWidth="1.75" />
    </g>
  );
}

function Mixture({ size, advice, working }: { size: StripSize; advice: Drawn; working: boolean }) {
  return (
    <g className={working ? css["working"] : undefined}>
      <path d={doubtPath(size, advice.strip)} fill="var(--doubt)" />
      <path d={linePath(size, advice.strip)} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
    </g>
  );
}

function Layers({ size, advice }: { size: StripSize; advice: Drawn }) {
  return (
    <g stroke="var(--paper)" strokeWidth="1">
      <path d={layerPath(size, advice.strip, "main")} fill="var(--layer-main)" />
      <path d={layerPath(size, advice.strip, "needle")} fill="var(--layer-needle)" />
      <path d={layerPath(size, advice.strip, "pilot")} fill="var(--layer-pilot)" />
    </g>
  );
}

/** A layer's name stands where it is thickest, or not at all. */
function LayerName({
  size,
  advice,
  layer,
  name,
}: {
  size: StripSize;
  advice: Advice;
  layer: "pilot" | "needle" | "main";
  name: string;
}) {
  const thickest = advice.strip.reduce((best, p) => (p.authority[layer] > best.authority[layer] ? p : best));
  const share = thickest.authority[layer];
  if (share < 0.4) return null;
  const below = layer === "main" ? 0 : layer === "needle" ? thickest.authority.main : 1 - share;
  const y = size.layersBottom - (below + share / 2) * (size.layersBottom - size.layersTop);
  const room = 60;
  const x = Math.min(Math.max(xAt(size, thickest.position), size.left + room), size.right - room);
  const fill = {
    pilot: "var(--on-layer-pilot)",
    needle: "var(--on-layer-needle)",
    main: "var(--on-layer-main)",
  }[layer];
  return (
    <text x={x} y={y + 4.5} textAnchor="middle" fontSize="14" fontWeight="600" style={{ fill }}>
      {name} {Math.round(100 * share)} %
    </text>
  );
}

/** A meter that is read right now. */
export interface LiveMark {
  readonly zone: Zone;
  /** 0 on target, + lean */
  readonly reads: number;
}

function Live({ size, live: { zone, reads } }: { size: StripSize; live: LiveMark }) {
  const span = ZONE_SPANS.find((one) => one.zone === zone);
  if (!span) return null;
  const x = xAt(size, (span.from + span.to) / 2);
  const y = yAt(size, reads);
  return (
    <g pointerEvents="none">
      <line x1={xAt(size, span.from)} x2={xAt(size, span.to)} y1={y} y2={y} stroke="var(--petrol)" />
      <rect
        x={x - 9}
        y={y - 9}
        width="18"
        height="18"
        fill="var(--petrol)"
        stroke="var(--paper)"
        strokeWidth="2"
        transform={`rotate(45 ${x} ${y})`}
      />
    </g>
  );
}

function Marks({ size, advice, looks }: { size: StripSize; advice: Advice; looks: readonly LookFace[] }) {
  const byId = new Map(advice.marks.map((mark) => [mark.lookId, mark]));
  return ZONE_SPANS.map((span) => {
    const here = looks.filter(({ lookId }) => byId.get(lookId)?.zone === span.zone);
    return here.map(({ lookId, number, face }, i) => {
      const x = xAt(size, markPosition(span, i, here.length));
      const y = yAt(size, byId.get(lookId)?.reads ?? 0);
      const fill = face === "lambda" ? "var(--sheet)" : TONE_COLOURS[face];
      const ink = face === "lambda" ? "var(--ink)" : LIGHT_TONES.has(face) ? "#1D1A15" : "#FFFFFF";
      return (
        <g key={lookId} pointerEvents="none">
          {face === "lambda" ? (
            <rect
              x={x - 8}
              y={y - 8}
              width="16"
              height="16"
              fill={fill}
              stroke="var(--ink)"
              strokeWidth="1.75"
              transform={`rotate(45 ${x} ${y})`}
            />
          ) : (
            <circle cx={x} cy={y} r="9" fill={fill} stroke="var(--ink)" strokeWidth="1.75" />
          )}
          <text x={x} y={y + 4.5} textAnchor="middle" fontSize="12.5" fontWeight="600" style={{ fill: ink }}>
            {number}
          </text>
        </g>
      );
    });
  });
}

function Ruler({ size }: { size: StripSize }) {
  const labels = [
    { at: 0, text: "shut", anchor: "start" as const },
    { at: 1 / 8, text: "⅛", anchor: "middle" as const },
    { at: 1 / 4, text: "¼", anchor: "middle" as const },
    { at: 1 / 2, text: "½", anchor: "middle" as const },
    { at: 3 / 4, text: "¾", anchor: "middle" as const },
    { at: 1, text: "open", anchor: "end" as const },
  ];
  const ticks = Array.from({ length: 33 }, (_, i) => i / 32);
  const y = size.layersBottom;
  return (
    <g className={css["ruler"]}>
      <line x1={size.left} x2={size.right} y1={y} y2={y} stroke="var(--ink)" strokeWidth="1.5" />
      {ticks.map((at) => (
        <line
          key={at}
          x1={xAt(size, rulerPosition(at))}
          x2={xAt(size, rulerPosition(at))}
          y1={y}
          y2={y + (labels.some((label) => label.at === at) ? 6 : 3)}
          stroke="var(--ink)"
        />
      ))}
      {labels.map(({ at, text, anchor }) => (
        <text key={text} x={xAt(size, rulerPosition(at))} y={y + 19} textAnchor={anchor} fontSize="14">
          {text}
        </text>
      ))}
    </g>
  );
}

function ZoneLinks({
  size,
  advice,
  zoneHref,
}: {
  size: StripSize;
  advice: Advice;
  zoneHref: (zone: string) => string;
}) {
  return ZONE_SPANS.map(({ zone, from, to }) => {
    const zoneAdvice = advice.zones.find((candidate) => candidate.zone === zone);
    if (!zoneAdvice) return null;
    const state = zoneState(zoneAdvice);
    const [x, end] = [xAt(size, from), xAt(size, to)];
    return (
      <Link
        key={zone}
        to={zoneHref(zone)}
        className={css["zone"]}
        aria-label={`${ZONE_NAMES[zone]}: ${state.text}. Log a look there`}
      >
        <rect x={x} y={2} width={end - x} height={size.bottom} />
        <text
          className={clsx(css["zone-head"], !state.calm && css["off"])}
          x={(x + end) / 2}
          y={16}
          textAnchor="middle"
        >
          <tspan className={css["name"]}>{ZONE_NAMES[zone].toUpperCase()}</tspan>
          <tspan className={css["state"]} dx="5">
            {state.text}
          </tspan>
        </text>
      </Link>
    );
  });
}

function Scale({ size }: { size: StripSize }) {
  const x = size.left - 10;
  const place = (error: number) => yAt(size, error) + 4.5;
  return (
    <g textAnchor="end">
      <text className={css["fine"]} x={x} y={place(0.105)}>
        lean
      </text>
      <text x={x} y={place(0)} fontSize="14" fontWeight="600">
        right
      </text>
      <text className={css["fine"]} x={x} y={place(-0.105)}>
        rich
      </text>
      <text className={css["fine"]} x={x} y={(size.layersTop + size.layersBottom) / 2 + 4.5}>
        who feeds
      </text>
      <text x={size.right} y={yAt(size, 0.06) - 4} fontSize="12.5" style={{ fill: "var(--signal)" }}>
        lean limit
      </text>
    </g>
  );
}

export const Strip = memo(function Strip({ advice, looks, live, working, zoneHref }: StripProps) {
  const id = useId();
  const { ref, width } = useWidth<HTMLDivElement>(1054);
  const size: StripSize = {
    left: 74,
    right: width,
    top: 26,
    bottom: 126,
    layersTop: 134,
    layersBottom: 172,
  };
  return (
    <div ref={ref}>
      <svg
        className={css["strip"]}
        height={HEIGHT}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        role="group"
        aria-label="The strip: mixture along the throttle"
      >
        <Ground size={size} id={id} />
        {ZONE_EDGES.map((edge) => (
          <line
            key={edge}
            x1={xAt(size, rulerPosition(edge))}
            x2={xAt(size, rulerPosition(edge))}
            y1={size.top}
            y2={size.bottom}
            stroke="var(--hairline)"
          />
        ))}
        <Mixture size={size} advice={advice} working={working} />
        <Layers size={size} advice={advice} />
        <LayerName size={size} advice={advice} layer="pilot" name="pilot" />
        <LayerName size={size} advice={advice} layer="needle" name="needle" />
        <LayerName size={size} advice={advice} layer="main" name="main jet" />
        <Ruler size={size} />
        <Scale size={size} />
        <ZoneLinks size={size} advice={advice} zoneHref={zoneHref} />
        <Marks size={size} advice={advice} looks={looks} />
        {live && <Live size={size} live={live} />}
      </svg>
    </div>
  );
});

/** The strip at a glance: for the phone's ribbon and the paddock. */
export function MiniStrip({
  advice,
  against,
  height = 64,
  label = "Mixture along the throttle",
}: {
  advice: Drawn;
  /** drawn as a broken line: what it is compared with */
  against?: Drawn;
  height?: number;
  label?: string;
}) {
  const id = useId();
  const { ref, width } = useWidth<HTMLDivElement>(370);
  const size: StripSize = {
    left: 0,
    right: width,
    top: 0,
    bottom: height - 16,
    layersTop: height - 12,
    layersBottom: height,
  };
  return (
    <div ref={ref}>
      <svg
        className={css["strip"]}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={label}
      >
        <Ground size={size} id={id} />
        {against && (
          <path
            d={linePath(size, against.strip)}
            fill="none"
            stroke="var(--petrol)"
            strokeWidth="2"
            strokeDasharray="5 4"
          />
        )}
        <Mixture size={size} advice={advice} working={false} />
        <Layers size={size} advice={advice} />
      </svg>
    </div>
  );
}
