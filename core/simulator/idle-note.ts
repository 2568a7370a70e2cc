/** Exhaust note of an idling engine by its mixture: rich misses beats, lean runs uneven and dry. */
import type { Random } from "../numbers/random.ts";
import { requireFinite } from "../units/guard.ts";
import { soundOf, type SoundingEngine } from "./exhaust-sound.ts";

/** The speed that a note is made at; it is played faster or slower. */
export const NOTE_RPM = 1500;
export const NOTE_HZ = 16_000;
const NOTE_S = 4;

export interface Idling {
  readonly strokes: 2 | 4;
  readonly cylinders: number;
}

const above = (x: number, from: number): number => Math.max(0, x - from);

/** @param error - mixture error at idle, log, + lean */
function idling({ strokes, cylinders }: Idling, error: number): SoundingEngine {
  return {
    strokes,
    cylinders,
    rpm: NOTE_RPM,
    unrest: 0.02 + Math.min(0.1, 0.5 * above(Math.abs(error), 0.02)),
    misfires: Math.min(0.4, 3 * above(-error, 0.03) + 1.2 * above(error, 0.08)),
    loudness: Array.from({ length: cylinders }, (_, i) => (i % 2 === 0 ? 1 : 0.92)),
    pipes: [
      { hz: 95, decayS: 0.014, gain: 1.1 },
      { hz: 210, decayS: 0.009, gain: 0.8 },
      { hz: 430, decayS: 0.005, gain: error > 0 ? 0.7 : 0.4 },
    ],
    hiss: Math.min(0.35, 0.05 + 1.5 * above(error, 0.01)),
  };
}

const FADE_S = 0.02;

/**
 * A piece that can be played round and round: loudest at 1, faded in and out at its ends.
 * @throws {RangeError} for an error that is no number
 */
export function idleNote(engine: Idling, error: number, random: Random): Float32Array<ArrayBuffer> {
  const { sound } = soundOf(idling(engine, requireFinite("mixture error", error)), NOTE_S, NOTE_HZ, random);
  const most = sound.reduce((top, x) => Math.max(top, Math.abs(x)), 1e-9);
  const fade = Math.round(FADE_S * NOTE_HZ);
  return Float32Array.from(sound, (x, i) => {
    const end = Math.min(i, sound.length - 1 - i) / fade;
    return (x / most) * Math.min(1, end);
  });
}
