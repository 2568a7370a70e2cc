/** The transform against the sum that it stands for. */
import { fft, twoSpectra } from "./fft.ts";
import { seededRandom } from "./random.ts";

const random = seededRandom(45_165);
const noise = (size: number) => Float64Array.from({ length: size }, () => random.normal());

/** Term by term, as it is written in books. */
function slowly(re: Float64Array, im: Float64Array, k: number): [number, number] {
  let [sumRe, sumIm] = [0, 0];
  re.forEach((x, i) => {
    const angle = (-2 * Math.PI * k * i) / re.length;
    const y = im[i] ?? 0;
    sumRe += x * Math.cos(angle) - y * Math.sin(angle);
    sumIm += x * Math.sin(angle) + y * Math.cos(angle);
  });
  return [sumRe, sumIm];
}

it.each([2, 4, 64, 256])("of %d numbers is the sum term by term", (size) => {
  const [re, im] = [noise(size), noise(size)];
  const expected = Array.from(re, (_, k) => slowly(re, im, k));
  fft(re, im);
  expected.forEach(([a, b], k) => {
    expect(re[k]).toBeCloseTo(a, 9);
    expect(im[k]).toBeCloseTo(b, 9);
  });
});

it("two real signals at once are each by itself, the rest of the window silence", () => {
  const [a, b] = [noise(100), noise(100)];
  const alone = (signal: Float64Array) => twoSpectra(signal, new Float64Array(100), 128)[0];
  const [ofA, ofB] = twoSpectra(a, b, 128);
  expect(ofA).toHaveLength(65);
  alone(a).forEach((power, k) => expect(ofA[k]).toBeCloseTo(power, 9));
  alone(b).forEach((power, k) => expect(ofB[k]).toBeCloseTo(power, 9));
});

it("a length that is no power of two is refused", () => {
  expect(() => fft(new Float64Array(6), new Float64Array(6))).toThrow("power of two, got 6 and 6");
  expect(() => fft(new Float64Array(8), new Float64Array(4))).toThrow(RangeError);
  expect(() => fft(new Float64Array(1), new Float64Array(1))).toThrow(RangeError);
});
