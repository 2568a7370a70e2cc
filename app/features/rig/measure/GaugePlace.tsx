/** Where the gauge goes: a slide carburettor cut open, with the one measure marked. */
import type { ReactNode } from "react";

const INK = { fill: "none", stroke: "var(--ink)", strokeWidth: 1.5 } as const;
const METAL = { fill: "var(--layer-needle)", stroke: "var(--ink)", strokeWidth: 1.5 } as const;
const FLOOR = 132;
const CEILING = 62;
/** The flat bottom of the slide, standing on its stop. */
const SLIDE = 118;
const FUEL = 184;

/** Two ends and what lies between them. */
function Span({ x1, y1, x2, y2 }: { x1: number; y1: number; x2: number; y2: number }) {
  const across = y1 === y2;
  const end = (x: number, y: number) =>
    across ? <line x1={x} x2={x} y1={y - 7} y2={y + 7} /> : <line x1={x - 7} x2={x + 7} y1={y} y2={y} />;
  return (
    <g stroke="var(--petrol)" strokeWidth={2.5} fill="none">
      <line x1={x1} y1={y1} x2={x2} y2={y2} />
      {end(x1, y1)}
      {end(x2, y2)}
    </g>
  );
}

const Ring = ({ x, y, r }: { x: number; y: number; r: number }) => (
  <circle cx={x} cy={y} r={r} fill="none" stroke="var(--petrol)" strokeWidth={2.5} />
);

/** What is marked, and where its name stands. */
interface Mark {
  readonly words: string;
  readonly at: readonly [x: number, y: number];
  readonly drawn: ReactNode;
}

const LIFT: Mark = {
  words: "this gap",
  at: [92, 152],
  drawn: (
    <>
      <Ring x={166} y={125} r={6.5} />
      <line x1={140} y1={147} x2={161} y2={130} stroke="var(--petrol)" strokeWidth={1.5} />
    </>
  ),
};

const MARKS: Readonly<Record<string, Mark>> = {
  "carburettor.boreMm": {
    words: "across the throat",
    at: [252, 92],
    drawn: <Span x1={244} y1={CEILING} x2={244} y2={FLOOR} />,
  },
  "carburettor.slide.idleLiftMm": LIFT,
  "carburettor.slide.restLiftMm": LIFT,
  "carburettor.slide.cutawayMm": {
    words: "slope above the bottom",
    at: [14, 112],
    drawn: <Span x1={148} y1={98} x2={148} y2={SLIDE} />,
  },
  "carburettor.slide.depressionPa": {
    words: "spring and slide",
    at: [222, 26],
    drawn: <Ring x={180} y={28} r={24} />,
  },
  "carburettor.needleJetMm": {
    words: "bore of the jet",
    at: [204, 152],
    drawn: <Span x1={173} y1={143} x2={187} y2={143} />,
  },
  "carburettor.needle.profile": {
    words: "1 cm below the grooves",
    at: [14, 88],
    drawn: <Span x1={176} y1={84} x2={184} y2={84} />,
  },
  "carburettor.needle.groovePitchMm": {
    words: "first groove to last",
    at: [222, 62],
    drawn: <Span x1={196} y1={50} x2={196} y2={68} />,
  },
  "carburettor.fuelDropMm": {
    words: "fuel to the jet’s top",
    at: [228, 164],
    drawn: <Span x1={218} y1={FLOOR} x2={218} y2={FUEL} />,
  },
  "carburettor.mainAirJetMm": {
    words: "the lower hole",
    at: [34, 178],
    drawn: <Ring x={24} y={156} r={9} />,
  },
  "carburettor.pilotAirJetMm": {
    words: "the other hole",
    at: [44, 152],
    drawn: <Ring x={24} y={141} r={9} />,
  },
  "baseline.setting.main": {
    words: "hexagon, in the middle",
    at: [204, 220],
    drawn: <Ring x={180} y={214} r={13} />,
  },
  "baseline.setting.pilot": {
    words: "slotted, beside it",
    at: [236, 206],
    drawn: <Ring x={214} y={203} r={12} />,
  },
  "baseline.setting.screwTurns": {
    words: "in until it seats, counting",
    at: [38, 216],
    drawn: <Ring x={88} y={190} r={15} />,
  },
};

/** @returns whether there is something to point at */
export const hasGaugePlace = (path: string): boolean => Object.hasOwn(MARKS, path);

function Body() {
  return (
    <g>
      {/* the throat, from the filter on the left to the engine */}
      <path d={`M14 ${CEILING} H156 M204 ${CEILING} H326`} {...INK} />
      <path d={`M14 ${FLOOR} H172 M188 ${FLOOR} H326 M14 ${FLOOR} V168 H112`} {...INK} />
      <path d={`M156 ${CEILING} V6 H204 V${CEILING}`} {...INK} />
      {/* bowl and fuel */}
      <path d={`M112 ${FLOOR} V232 H252 V${FLOOR}`} {...INK} />
      <path
        d={`M112 ${FUEL} H172 M188 ${FUEL} H252`}
        stroke="var(--quiet)"
        strokeDasharray="5 4"
        fill="none"
      />
      {/* the two holes in the mouth, the mixture screw */}
      <circle cx={24} cy={141} r={3.5} {...INK} />
      <circle cx={24} cy={156} r={3.5} {...INK} />
      <path d="M76 190 H100 M100 184 V196 M76 186 V194" {...INK} />
    </g>
  );
}

function Inside() {
  return (
    <g>
      {/* slide with its slope on the filter's side */}
      <path d={`M158 14 H202 V${SLIDE} H172 L158 98 Z`} {...METAL} />
      <path d="M168 14 q12 5 24 0 q-12 5 -24 10 q12 5 24 0 q-12 5 -24 10 q12 5 24 0" {...INK} />
      {/* needle in its jet, jets in the bowl */}
      <path d="M172 134 V208 M188 134 V208" {...INK} />
      <path
        d="M177 48 H183 V120 L181 192 H179 L177 120 Z"
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth={1.25}
      />
      <path d="M175 50 H185 M175 56 H185 M175 62 H185 M175 68 H185" stroke="var(--ink)" strokeWidth={1.25} />
      <path d="M173 208 H187 L190 214 L187 220 H173 L170 214 Z" {...METAL} />
      <path d="M208 194 H220 V212 H208 Z M211 212 H217" {...METAL} />
    </g>
  );
}

/** @param path - of an assumed value that {@link hasGaugePlace} */
export function GaugePlace({ path }: { path: string }) {
  const mark = MARKS[path];
  if (!mark) return null;
  return (
    <svg
      width={340}
      height={240}
      viewBox="0 0 340 240"
      role="img"
      aria-label={`A carburettor cut open, filter on the left; marked: ${mark.words}`}
      style={{ maxWidth: "100%", height: "auto" }}
    >
      <Body />
      <Inside />
      {mark.drawn}
      <text x={16} y={56} fontSize={13} fill="var(--quiet)">
        filter
      </text>
      <text x={324} y={56} fontSize={13} textAnchor="end" fill="var(--quiet)">
        engine
      </text>
      <text x={mark.at[0]} y={mark.at[1]} fontSize={15} fontWeight={600} fill="var(--petrol)">
        {mark.words}
      </text>
    </svg>
  );
}
