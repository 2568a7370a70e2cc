/**
 * The model’s mixture of any setting in one air, as a linear form of the unknowns; prepared once for many settings.
 */
import type { HumidAir } from "../air/humid-air.ts";
import { checkSetting, type Setting } from "../carburettor/carburettor.ts";
import type { MainPath } from "../carburettor/fuel-paths.ts";
import { feedOf, mainFeedAt, pilotFeedAt, pointAt, type Model, type Point } from "../carburettor/model.ts";
import { PROBES, ZONES, type Zone } from "../carburettor/zones.ts";
import type { MixturePoint, ZoneMixture } from "../looks/line.ts";
import type { Build } from "../log/schema.ts";
import { remembered } from "../numbers/remembered.ts";
import { lnLambda, lnTarget, modelIn, type Frame } from "./frame.ts";
import { unknownsRow, type StepShifts, type ZoneShares } from "./unknowns.ts";

/** An opening of the throttle, and how much of each zone's residual counts there. */
export interface Opening {
  readonly throttle: number;
  readonly shares: ZoneShares;
}

/** An air in which settings can be asked about, at openings prepared beforehand. */
export interface MixtureMap {
  readonly at: (setting: Setting, index: number) => MixturePoint;
}

/** One opening: the two paths flow side by side, so each is worked out once a setting of its own parts. */
function openingAsker(model: Model, reference: Setting, point: Point) {
  const { needle } = model.rig.carburettor;
  const pilotOf = remembered((pilot) =>
    remembered((screwTurns) => pilotFeedAt(model, { ...reference, pilot, screwTurns }, point)),
  );
  const mainOf = remembered((clip) =>
    remembered((shimM) =>
      remembered((main): MainPath => mainFeedAt(model, { ...reference, clip, shimM, main }, point)),
    ),
  );
  const pilot = (s: Setting) => pilotOf(s.pilot)(s.screwTurns);
  const main = (s: Setting) => mainOf(s.clip)(s.shimM)(s.main);
  const lnFuel = (s: Setting) => Math.log(pilot(s) + main(s).flowKgS);
  // A needle with fewer grooves than the first one had: its last is the nearest.
  const clip = Math.min(reference.clip, needle.grooves);
  const steps = (s: Setting, now: number): StepShifts => ({
    screw:
      s.screwTurns === reference.screwTurns ? 0 : lnFuel({ ...s, screwTurns: reference.screwTurns }) - now,
    clip:
      s.clip === clip && s.shimM === reference.shimM
        ? 0
        : lnFuel({ ...s, clip, shimM: reference.shimM }) - now,
    main: s.main === reference.main ? 0 : lnFuel({ ...s, main: reference.main }) - now,
  });
  return (setting: Setting) => {
    checkSetting(setting);
    const feed = feedOf(pilot(setting), main(setting), point);
    return { feed, steps: steps(setting, Math.log(feed.fuelKgS)) };
  };
}

/** @throws {RangeError} if the build is impossible in this frame */
export function mixtureMap(
  frame: Frame,
  build: Build,
  air: HumidAir,
  openings: readonly Opening[],
): MixtureMap {
  const model = modelIn(frame, build);
  const lnDryDensityRatio = Math.log(air.dryDensityKgM3 / frame.air.dryDensityKgM3);
  const prepared = openings.map(({ throttle, shares }) => {
    const wanted = lnTarget(build.targetLambda, shares) - lnTarget(frame.build.targetLambda, shares);
    const ask = openingAsker(model, frame.setting, pointAt(model.rig, air, throttle));
    return { ask, shares, wanted, reference: frame.lnLambdaAt(throttle) };
  });
  const at = (setting: Setting, index: number): MixturePoint => {
    const opening = prepared[index];
    if (!opening) throw new RangeError(`opening must be in 0..${openings.length - 1}, got ${index}`);
    const { feed, steps } = opening.ask(setting);
    const shift = lnLambda(model, feed.lnAirFuel) - opening.reference - opening.wanted;
    const { authority } = feed;
    return { shift, authority, row: unknownsRow(authority, opening.shares, lnDryDensityRatio, steps) };
  };
  return { at };
}

const PROBE_OPENINGS = ZONES.map((zone) => ({ throttle: PROBES[zone], shares: { [zone]: 1 } }));

/** @returns a function from a setting to its mixture in some zones alone: who asks of thousands asks no more */
export function mixtureIn(
  frame: Frame,
  build: Build,
  air: HumidAir,
  zones: readonly Zone[],
): (setting: Setting) => readonly MixturePoint[] {
  const map = mixtureMap(
    frame,
    build,
    air,
    zones.map((zone) => ({ throttle: PROBES[zone], shares: { [zone]: 1 } })),
  );
  return (setting) => zones.map((_, i) => map.at(setting, i));
}

/** @returns a function from a setting to its mixture in every zone, in this air */
export function zoneMixture(frame: Frame, build: Build, air: HumidAir): ZoneMixture {
  const map = mixtureMap(frame, build, air, PROBE_OPENINGS);
  return (setting) => ({
    idle: map.at(setting, 0),
    low: map.at(setting, 1),
    mid: map.at(setting, 2),
    top: map.at(setting, 3),
  });
}
