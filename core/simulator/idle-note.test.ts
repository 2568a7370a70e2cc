import { seededRandom } from "../numbers/random.ts";
import { idleNote, NOTE_HZ } from "./idle-note.ts";

const ENGINE = { strokes: 2, cylinders: 1 } as const;
const note = (error: number) => idleNote(ENGINE, error, seededRandom(3));

/** Beats that are heard: stretches of 40 ms, one beat at 1500 rpm, that are loud. */
function loudShare(sound: Float32Array): number {
  const beat = NOTE_HZ / 25;
  const peaks = Array.from({ length: Math.floor(sound.length / beat) }, (_, i) =>
    sound.subarray(i * beat, (i + 1) * beat).reduce((top, x) => Math.max(top, Math.abs(x)), 0),
  );
  return peaks.filter((peak) => peak > 0.4).length / peaks.length;
}

describe("the note of an idle", () => {
  it("fills four seconds, never louder than 1, silent at its ends", () => {
    const sound = note(0);
    expect(sound).toHaveLength(4 * NOTE_HZ);
    expect(sound.every((x) => Math.abs(x) <= 1)).toBe(true);
    expect([sound[0], sound.at(-1)].every((x) => Math.abs(x ?? 1) < 1e-6)).toBe(true);
  });
  it("misses beats when rich, hardly any when right", () => {
    expect(loudShare(note(0))).toBeGreaterThan(0.9);
    expect(loudShare(note(-0.15))).toBeLessThan(0.8);
  });
  it("refuses an error that is none", () => {
    expect(() => note(NaN)).toThrow(RangeError);
  });
});
