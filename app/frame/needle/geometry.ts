/** Geometry of the needle drawing: lengths to scale, widths magnified. */
import { needleDiameter, needlePosition } from "#core/carburettor/needle.ts";
import { manualLift } from "#core/carburettor/air-flow.ts";
import type { Build } from "#core/log/schema.ts";
import { rigFromBuild } from "#core/rig/from-build.ts";

export interface NeedleView {
  /** slide lift, mm */
  readonly liftMm: number;
  /** place along the needle that stands level with the jet's mouth, mm */
  readonly positionMm: number;
  /** needle diameter there, mm */
  readonly diameterMm: number;
  /** open ring between needle and jet, mm² */
  readonly ringMm2: number;
}

/** A vacuum slide finds its own lift; here it is moved by hand, as on the bench. */
export function needleView(build: Build, throttle: number, clip: number, shimMm: number): NeedleView {
  const { carburettor } = rigFromBuild(build);
  const { slide, boreM, needleJetM, needle } = carburettor;
  const rest = slide.kind === "manual" ? slide.idleLiftM : slide.restLiftM;
  const liftM = manualLift(boreM, rest, throttle);
  const position = needlePosition(needle, liftM, clip, shimMm / 1000);
  const diameter = needleDiameter(needle, position);
  return {
    liftMm: liftM * 1000,
    positionMm: position * 1000,
    diameterMm: diameter * 1000,
    ringMm2: (Math.PI / 4) * (needleJetM ** 2 - diameter ** 2) * 1e6,
  };
}

export interface NeedleScale {
  /** middle of the jet, px */
  readonly x: number;
  /** the jet's mouth, px from the top */
  readonly mouth: number;
  /** px per mm along and across */
  readonly along: number;
  readonly across: number;
}

/** The needle's outline as a closed path: from where it hangs in the slide down to its tip. */
export function needleOutline(build: Build, view: NeedleView, scale: NeedleScale, hangsAt: number): string {
  const { profile } = build.carburettor.needle;
  const y = (alongMm: number) => scale.mouth + (alongMm - view.positionMm) * scale.along;
  const half = (diameterMm: number) => (diameterMm / 2) * scale.across;
  const first = profile[0];
  if (!first) return "";
  const below = profile.filter(({ alongMm }) => y(alongMm) > hangsAt);
  const side = [
    { at: hangsAt, half: half(first.diameterMm) },
    ...below.map((p) => ({ at: y(p.alongMm), half: half(p.diameterMm) })),
  ];
  const right = side.map((p) => `L${(scale.x + p.half).toFixed(1)} ${p.at.toFixed(1)}`);
  const left = [...side].reverse().map((p) => `L${(scale.x - p.half).toFixed(1)} ${p.at.toFixed(1)}`);
  return `M${scale.x} ${hangsAt}${right.join("")}${left.join("")}Z`;
}
