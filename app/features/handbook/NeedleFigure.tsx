/** Needle in its jet at a lift of the slide: the ring that fuel comes through, computed as for a rig. */
import { useState } from "react";
import { needleDiameter, needlePosition } from "#core/carburettor/needle.ts";
import { rigFromBuild } from "#core/rig/from-build.ts";
import { startingBuild } from "#core/rig/starting-builds.ts";
import { fixed } from "#app/vocabulary/numerals.ts";
import css from "./handbook.module.css";
import { Slider } from "./Slider.tsx";

const BUILD = startingBuild("twoStrokeBike");
const { needle, needleJetM } = rigFromBuild(BUILD).carburettor;
const MM = 1000;
/** Hundredfold across, so that the ring can be seen; fourfold along. */
const [ACROSS, ALONG, MIDDLE] = [64, 4, 150];
const GROOVES = Array.from({ length: needle.grooves }, (_, i) => i + 1);

const ringMm2 = (liftMm: number, clip: number): number => {
  const d = needleDiameter(needle, needlePosition(needle, liftMm / MM, clip, 0));
  return (Math.PI / 4) * MM * MM * (needleJetM ** 2 - d ** 2);
};

/** The needle's outline: from where it hangs down to its tip, seen at the jet. */
function outline(liftMm: number, clip: number): string {
  const at = needlePosition(needle, liftMm / MM, clip, 0) * MM;
  const side = (sign: number) =>
    Array.from({ length: 31 }, (_, i) => {
      const below = i - 15;
      const half = (ACROSS * MM * needleDiameter(needle, (at + below) / MM)) / 2;
      return `${(MIDDLE + sign * half).toFixed(1)},${(80 + ALONG * below).toFixed(1)}`;
    });
  return [...side(-1), ...side(1).reverse()].join(" ");
}

export function NeedleFigure() {
  const [lift, setLift] = useState(16);
  const [clip, setClip] = useState(3);
  const ring = ringMm2(lift, clip);
  const half = (ACROSS * MM * needleJetM) / 2;
  const reference = ringMm2(lift, 3);
  return (
    <figure className={css["figure"]}>
      <svg
        viewBox="0 0 300 160"
        role="img"
        aria-label={`Needle in its jet: a ring of ${fixed(ring, 2)} mm² at ${fixed(lift, 0)} mm of lift`}
      >
        <rect x={0} y={60} width={MIDDLE - half} height={40} fill="var(--brass)" />
        <rect x={MIDDLE + half} y={60} width={300 - MIDDLE - half} height={40} fill="var(--brass)" />
        <polygon points={outline(lift, clip)} fill="var(--layer-needle)" stroke="var(--ink)" />
        <text x={6} y={84} style={{ fill: "var(--paper)" }}>
          needle jet
        </text>
      </svg>
      <Slider
        label="Slide lifted"
        words={`${fixed(lift, 0)} mm`}
        value={lift}
        range={[2, 36]}
        step={1}
        onChange={setLift}
      />
      <Slider
        label="Groove"
        words={`${clip} of ${GROOVES.length}`}
        value={clip}
        range={[1, GROOVES.length]}
        step={1}
        onChange={setClip}
      />
      <figcaption className="quiet" aria-live="polite">
        Ring {fixed(ring, 2)} mm²
        {clip !== 3 &&
          `, ${fixed(Math.abs((100 * ring) / reference - 100), 0)} % ${ring > reference ? "more" : "less"} than in the third groove`}
        . Drawn wider than it is, for a jet of {fixed(BUILD.carburettor.needleJetMm, 2)} mm.
      </figcaption>
    </figure>
  );
}
