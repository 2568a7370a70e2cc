/** Simulated sprint or laps with a GNSS receiver: random-walk position error, finer speed. */
import type { Fix, Place } from "../satellites/fix.ts";
import type { Random } from "../numbers/random.ts";
import { requirePositive, requireRange } from "../units/guard.ts";

/** Where it truly is, metres along the way and beside it, and how fast. */
export interface Truth {
  readonly alongM: number;
  readonly speedMs: number;
}

export interface Sprinter {
  /** what the tyre holds */
  readonly gripMs2: number;
  /** power over mass, W/kg */
  readonly powerPerKg: number;
  /** drag over mass, 1/m */
  readonly drag: number;
  /** stands so long before it goes */
  readonly waitS: number;
  readonly shifts: readonly { readonly atMs: number; readonly forS: number }[];
}

/** @param powerShare - of what the engine gives when its mixture is right */
export function drawSprinter(random: Random, powerShare = 1): Sprinter {
  return {
    gripMs2: 4.5 + 1.5 * random.uniform(),
    powerPerKg: powerShare * (90 + 90 * random.uniform()),
    drag: 0.0016 + 0.0006 * random.uniform(),
    waitS: 3 + 3 * random.uniform(),
    shifts: [9, 16, 23].map((speed) => ({
      atMs: speed + random.uniform(),
      forS: 0.08 + 0.1 * random.uniform(),
    })),
  };
}

const STEP_S = 0.002;

/** @returns the truth every so many seconds, from the beginning, by small steps */
export function sprintOf(sprinter: Sprinter, seconds: number, everyS = STEP_S): Truth[] {
  requireRange("sprint", seconds, 1, 300, "s");
  const truths: Truth[] = [];
  const keep = Math.max(1, Math.round(everyS / STEP_S));
  let [alongM, speedMs, shifting, gear] = [0, 0, 0, 0];
  for (let i = 0; i * STEP_S <= seconds; i += 1) {
    if (i % keep === 0) truths.push({ alongM, speedMs });
    if (i * STEP_S < sprinter.waitS) continue;
    const shift = sprinter.shifts[gear];
    if (shift && speedMs >= shift.atMs) {
      shifting = shift.forS;
      gear += 1;
    }
    shifting = Math.max(0, shifting - STEP_S);
    const push = shifting > 0 ? 0 : Math.min(sprinter.gripMs2, sprinter.powerPerKg / Math.max(0.5, speedMs));
    speedMs = Math.max(0, speedMs + (push - sprinter.drag * speedMs * speedMs) * STEP_S);
    alongM += speedMs * STEP_S;
  }
  return truths;
}

export interface Receiver {
  readonly rateHz: number;
  /** sd of its place along one line */
  readonly placeSdM: number;
  /** how long an error of it lasts; 0 for one that is new at every fix */
  readonly lastsS: number;
  /** sd of the speed it tells; nothing where it tells none */
  readonly speedSdMs: number | undefined;
}

/** An error that wanders: Gauss and Markov's, of a given sd and length. */
function wandering(sd: number, lastsS: number, dtS: number, random: Random): () => number {
  const keep = lastsS > 0 ? Math.exp(-dtS / lastsS) : 0;
  let error = sd * random.normal();
  return () => {
    const now = error;
    error = keep * error + Math.sqrt(1 - keep * keep) * sd * random.normal();
    return now;
  };
}

const METRES_A_DEGREE = 111_195;

/** A straight way that leads east and north. */
const BEARING = 0.7;

/**
 * @param whereAt - the truth at a time: metres east and north of the place, and speed
 * @returns what the receiver says from one time on
 */
export function seenBy(
  whereAt: (timeS: number) => { readonly eastM: number; readonly northM: number; readonly speedMs: number },
  { rateHz, placeSdM, lastsS, speedSdMs }: Receiver,
  from: Place & { readonly heightM: number },
  random: Random,
): (timeS: number) => Fix {
  const dtS = 1 / requirePositive("rate", rateHz);
  const [east, north, up] = [1, 1, 2].map((share) => wandering(share * placeSdM, lastsS, dtS, random));
  return (timeS) => {
    const { eastM, northM, speedMs } = whereAt(timeS);
    const [eastOff, northOff, upOff] = [east?.() ?? 0, north?.() ?? 0, up?.() ?? 0];
    return {
      atMs: 1000 * timeS,
      channel: 1,
      latitude: from.latitude + (northM + northOff) / METRES_A_DEGREE,
      longitude:
        from.longitude + (eastM + eastOff) / (METRES_A_DEGREE * Math.cos((from.latitude * Math.PI) / 180)),
      accuracyM: 2.4477 * placeSdM,
      heightM: from.heightM + upOff,
      heightAccuracyM: 1.96 * 2 * placeSdM,
      ...(speedSdMs !== undefined && { speedMs: Math.max(0, speedMs + speedSdMs * random.normal()) }),
    };
  };
}

/** @returns where a straight way has led after so many metres */
export const alongStraight = (alongM: number): { eastM: number; northM: number } => ({
  eastM: alongM * Math.sin(BEARING),
  northM: alongM * Math.cos(BEARING),
});

/** A round course; a machine slows and hastens on it by a tenth each lap. */
const ROUND_M = 60;
const ROUND_MS = 18;

/** @returns where a machine on a round course is, east and north of where it began, and how fast */
export function roundCourse(timeS: number): { eastM: number; northM: number; speedMs: number } {
  const turn = (ROUND_MS * timeS) / ROUND_M;
  const wave = 0.1 * Math.sin(turn);
  const angle = turn + wave;
  return {
    eastM: ROUND_M * (1 - Math.cos(angle)),
    northM: ROUND_M * Math.sin(angle),
    speedMs: ROUND_MS * (1 + 0.1 * Math.cos(turn)),
  };
}
