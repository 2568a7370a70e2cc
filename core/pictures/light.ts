/** Three lights and a camera: irradiance of a surface, and its pixel in sRGB with the sensor's noise. */
import type { Random } from "../numbers/random.ts";
import type { Rgb } from "./surfaces.ts";

export const LIGHTS = ["shade", "sun", "lamp"] as const;
export type LightName = (typeof LIGHTS)[number];

export interface Light {
  /** from everywhere */
  readonly ambient: Rgb;
  /** from one side */
  readonly direct: Rgb;
  /** unit vector towards it, in the plug's own axes: right, away from the viewer, up along the plug */
  readonly towards: Rgb;
  /** how hard its gloss and its shadows are, 0..1 */
  readonly hard: number;
}

const LOOKS: Readonly<Record<LightName, Pick<Light, "ambient" | "direct" | "hard">>> = {
  shade: { ambient: [0.74, 0.8, 0.88], direct: [0.12, 0.13, 0.14], hard: 0.1 },
  sun: { ambient: [0.2, 0.22, 0.27], direct: [0.78, 0.75, 0.68], hard: 1 },
  lamp: { ambient: [0.2, 0.15, 0.09], direct: [0.78, 0.6, 0.36], hard: 0.6 },
};

/** @returns the light of one picture: it comes from the viewer's side, a little elsewhere each time */
export function lightOf(name: LightName, random: Random): Light {
  const swing = name === "shade" ? 0.1 : 0.28;
  const [x, y, z] = [-0.3 + swing * random.normal(), -0.8, 0.55 + 0.4 * swing * random.normal()];
  const length = Math.hypot(x, y, z);
  return { ...LOOKS[name], towards: [x / length, y / length, z / length] };
}

const LEVELS = 4096;
/** sRGB transfer function (IEC 61966-2-1), as a table of 0..255. */
const ENCODED = Float32Array.from({ length: LEVELS + 1 }, (_, i) => {
  const linear = i / LEVELS;
  return 255 * (linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055);
});

/** @param linear - of a channel, not below 0; @returns 0..255 */
export const encoded = (linear: number): number =>
  linear >= 1 ? 255 : (ENCODED[(LEVELS * linear + 0.5) | 0] ?? 0);

/** Noise of the sensor, sd of 0..255. */
export const SENSOR_NOISE = 2.2;
