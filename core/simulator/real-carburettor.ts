/**
 * True carburettor of the bench, with physics that differ from the model's: the same parts as the model knows, but
 * another nozzle, another shield, another line of engine speed, worn holes, a screw that is worth more or less. The
 * model is never asked: what it gets wrong about a real engine is what the judgement must live with.
 */
import type { HumidAir } from "../air/humid-air.ts";
import type { Carburettor, Rig, Setting } from "../carburettor/carburettor.ts";
import { fuelDensity } from "../carburettor/fuel.ts";
import { jetArea } from "../carburettor/jet.ts";
import { needleDiameter } from "../carburettor/needle.ts";
import { butterflyArea, segmentArea } from "../carburettor/opening.ts";
import { bisectFalling } from "../numbers/bisect.ts";
import type { Random } from "../numbers/random.ts";

/** How a real carburettor departs from its drawing. */
export interface RealPhysics {
  readonly nozzleGain: number;
  /** how fast pulsation dies away as the throttle closes */
  readonly nozzlePower: number;
  readonly shieldMarginM: number;
  readonly shieldPower: number;
  /** speed goes with this power of the opening */
  readonly speedPower: number;
  readonly throttleDischarge: number;
  readonly filling: number;
  /** wear of the needle jet, on its diameter */
  readonly wearM: number;
  /** grooves are this many times their pitch apart */
  readonly pitchFactor: number;
  /** a turn of the screw is worth so many times the drawing's */
  readonly screwFactor: number;
  /** flow through a main jet goes with this power of its area */
  readonly mainPower: number;
  readonly pilotShareAtIdle: number;
  /** log fuel of pilot, needle and main, + = leaner */
  readonly trims: readonly [pilot: number, needle: number, main: number];
}

/** The spreads that docs/judgement.md lists: written before the first run, never tuned after one. */
export function drawPhysics(random: Random, trim: () => readonly [number, number, number]): RealPhysics {
  const about = (usual: number, share: number) => usual * Math.exp(share * random.normal());
  return {
    nozzleGain: about(6, 0.25),
    nozzlePower: about(6, 0.15),
    shieldMarginM: about(0.001, 0.25),
    shieldPower: about(3, 0.12),
    speedPower: about(0.5, 0.12),
    throttleDischarge: about(0.75, 0.06),
    filling: about(0.8, 0.06),
    wearM: Math.abs(0.006e-3 * random.normal()),
    pitchFactor: about(1, 0.12),
    screwFactor: about(1, 0.2),
    mainPower: about(1, 0.06),
    pilotShareAtIdle: 0.78 + 0.14 * random.uniform(),
    trims: trim(),
  };
}

const GAMMA = 1.4;
const AIR_GAS_CONSTANT = 287.05;
const REFERENCE_HOLE = (Math.PI / 4) * 0.0015 ** 2;
const G = 9.80665;

const holeArea = (d: number): number => (Math.PI / 4) * d * d;

function orifice(ratio: number): number {
  const x = Math.max(ratio, 0.5283);
  const bracket = x ** (2 / GAMMA) - x ** ((GAMMA + 1) / GAMMA);
  return Math.sqrt(((2 * GAMMA) / (GAMMA - 1)) * Math.max(0, bracket));
}

interface State {
  readonly liftM: number;
  readonly depressionPa: number;
  readonly shield: number;
  readonly vacuumPa: number;
  readonly airKgS: number;
}

function stateAt({ carburettor: c, engine: e }: Rig, p: RealPhysics, air: HumidAir, throttle: number): State {
  const speed = e.idleRpm + (e.peakRpm - e.idleRpm) * throttle ** p.speedPower;
  const swallow = (p.filling * e.displacementM3 * speed) / (60 * e.turnsPerCycle);
  const lift = c.slide.kind === "manual" ? Math.max(c.slide.idleLiftM, throttle * c.boreM) : 0;
  const open = c.slide.kind === "manual" ? segmentArea(c.boreM, lift) : butterflyArea(c.boreM, throttle);
  const choked =
    (p.throttleDischarge * open * air.pressurePa) / Math.sqrt(AIR_GAS_CONSTANT * air.temperatureK);
  const ratio = bisectFalling((x) => choked * orifice(x) - swallow * air.densityKgM3 * x, 0, 1);
  const flow = swallow * air.densityKgM3 * ratio;
  const depression = (area: number) =>
    0.5 *
    air.densityKgM3 *
    (flow / (air.densityKgM3 * area)) ** 2 *
    (1 + (p.nozzleGain - 1) * ratio ** p.nozzlePower);
  const shield = (z: number, edge: number) =>
    1 - Math.exp(-((z / (edge + p.shieldMarginM)) ** p.shieldPower));
  const rest = {
    vacuumPa: air.pressurePa * (1 - ratio),
    airKgS: (flow * air.dryDensityKgM3) / air.densityKgM3,
  };
  const { slide, boreM } = c;
  if (slide.kind === "manual") {
    const depressionPa = depression(segmentArea(boreM, Math.min(boreM, lift + slide.cutawayM)));
    return { liftM: lift, depressionPa, shield: shield(lift, slide.cutawayM), ...rest };
  }
  const { restLiftM, depressionPa: held } = slide;
  const z = bisectFalling((one) => depression(segmentArea(boreM, one)) - held, restLiftM, boreM);
  return { liftM: z, depressionPa: depression(segmentArea(boreM, z)), shield: shield(z, restLiftM), ...rest };
}

function mainFlow(
  { carburettor: c, fuel }: Rig,
  p: RealPhysics,
  s: Setting,
  at: State,
  air: HumidAir,
): number {
  const { needle } = c;
  const along = at.liftM + (s.clip - needle.referenceClip) * needle.groovePitchM * p.pitchFactor + s.shimM;
  const jetD = c.needleJetM + p.wearM;
  const annulus = 0.7 * (holeArea(jetD) - holeArea(needleDiameter(needle, along))) * Math.exp(-p.trims[1]);
  const usual = jetArea(100, c.mainNumbering);
  const jet = 0.8 * usual * (jetArea(s.main, c.mainNumbering) / usual) ** p.mainPower * Math.exp(-p.trims[2]);
  const area = 1 / Math.hypot(1 / annulus, 1 / jet);
  const bleed = c.emulsionTubeDrilled && c.mainAirJetM ? (holeArea(c.mainAirJetM) / REFERENCE_HOLE) ** 2 : 0;
  const density = fuelDensity(fuel, air.temperatureK);
  const lifted = at.depressionPa / (1 + bleed) - density * G * c.fuelDropM;
  return area * Math.sqrt(2 * density * Math.max(1e-6, at.shield * lifted));
}

/** Pilot fuel without its signal's scale: that is fixed once, from what the pilot carries at idle. */
function pilotFlow(
  { carburettor: c, fuel }: Rig,
  p: RealPhysics,
  s: Setting,
  base: Setting,
  at: State,
  air: HumidAir,
  signal: number,
): number {
  const density = fuelDensity(fuel, air.temperatureK);
  const turns = base.screwTurns + (s.screwTurns - base.screwTurns) * p.screwFactor;
  const jet = 0.8 * jetArea(s.pilot, c.pilotNumbering);
  const opening = Math.max(0.005, 0.02 + 0.11 * turns) * 1e-6;
  const area = c.screw === "air" ? jet : 1 / Math.hypot(1 / jet, 1 / opening);
  const airJet = c.pilotAirJetM === undefined ? 0 : (holeArea(c.pilotAirJetM) / REFERENCE_HOLE) ** 2;
  const bleed = (c.screw === "air" ? Math.max(0.05, 0.25 + 0.5 * turns) ** 2 : 0) + airJet;
  const lifted = (signal * at.vacuumPa) / (1 + bleed) - density * G * c.fuelDropM;
  return area * Math.exp(-p.trims[0]) * Math.sqrt(2 * density * Math.max(1e-6, lifted));
}

/** @returns ln of air over fuel at an opening, for any setting in any air */
export function realCarburettor(rig: Rig, p: RealPhysics) {
  const { setting: base, air: baseAir } = rig.baseline;
  const idle = stateAt(rig, p, baseAir, 0);
  const untrimmed = { ...p, trims: [0, 0, 0] as const };
  const wanted =
    (mainFlow(rig, untrimmed, base, idle, baseAir) * p.pilotShareAtIdle) / (1 - p.pilotShareAtIdle);
  const flowAt = (signal: number) => pilotFlow(rig, untrimmed, base, base, idle, baseAir, signal);
  const signal = bisectFalling((x) => wanted - flowAt(x), 0, 50);
  const states = new Map<Carburettor, Map<string, State>>();
  /** @param carburettor - with other parts in it than those it was first run with */
  return (setting: Setting, air: HumidAir, throttle: number, carburettor = rig.carburettor): number => {
    const now: Rig = carburettor === rig.carburettor ? rig : { ...rig, carburettor };
    const known = states.get(carburettor) ?? new Map<string, State>();
    states.set(carburettor, known);
    const key = `${air.temperatureK} ${air.pressurePa} ${air.dryDensityKgM3} ${throttle}`;
    const at = known.get(key) ?? stateAt(now, p, air, throttle);
    known.set(key, at);
    const fuel = mainFlow(now, p, setting, at, air) + pilotFlow(now, p, setting, base, at, air, signal);
    return Math.log(at.airKgS / fuel);
  };
}
