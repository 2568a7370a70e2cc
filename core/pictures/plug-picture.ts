/**
 * Renders a spark plug by ray casting: what its places show of the mixture, in a light, with a piece of white paper
 * beside it. Seeded, no DOM. `bench:pictures` has what it takes.
 */
import type { PlugFinding } from "../log/parts.ts";
import { seededRandom } from "../numbers/random.ts";
import { requireRange } from "../units/guard.ts";
import { Grain } from "./grain.ts";
import { lightOf, type Light } from "./light.ts";
import { checkSide, developed, innerSide, smooth, type Picture, type Place } from "./picture.ts";
import {
  alongStrap,
  BORE,
  BORE_R,
  COS,
  ELECTRODE,
  emptyHit,
  FACE,
  FACE_Z,
  noseRadius,
  NOSE,
  NOTHING,
  PlugShape,
  projected,
  RING,
  SHELL,
  SIN,
  STRAP,
  type Hit,
} from "./plug-shape.ts";
import type { PlugScene, PlugSpot } from "./plug-scene.ts";
import { Deposits, METAL, PAPER, SOOT, type Rgb } from "./surfaces.ts";

export interface PlugPicture extends Picture {
  /** where each place of the plug is seen, and the paper */
  readonly spots: Readonly<Record<PlugSpot | "paper", Place>>;
}

/** Units of the plug's radius that the picture is wide. */
const WIDE = 2.5;
/** The plug stands this far below the middle. */
const LOWERED = 0.16;
const GLAZE: Rgb = [0.55, 0.47, 0.24];
const OIL: Rgb = [0.02, 0.016, 0.01];
const SPECK: Rgb = [0.75, 0.76, 0.78];
const BLUED: Rgb = [0.1, 0.11, 0.16];
const BURNT: Rgb = [0.6, 0.59, 0.56];
const ROOT_Z = -0.26;
const NOSE_SEEN_FROM = -0.55;
/** Share of the light that the paper gives to the camera; direct sun is exposed nearer the limit. */
const EXPOSURE = { shade: 0.8, sun: 0.95, lamp: 0.76 } as const;

/** Everything that the shading of one picture needs. It is called for every pixel: its three channels are written out. */
class Shading {
  private readonly colour = new Float64Array(3);
  private readonly deposits: Deposits;
  private gloss = 0;
  private readonly halfway: Rgb;
  private readonly has: (finding: PlugFinding) => boolean;
  private readonly scene: PlugScene;
  private readonly light: Light;
  private readonly grain: Grain;
  private readonly shape: PlugShape;

  constructor(scene: PlugScene, light: Light, grain: Grain, shape: PlugShape) {
    this.scene = scene;
    this.light = light;
    this.grain = grain;
    this.shape = shape;
    this.deposits = Deposits.of(scene.burns);
    const [x, y, z] = [light.towards[0], light.towards[1] - SIN, light.towards[2] + COS];
    const length = Math.hypot(x, y, z);
    this.halfway = [x / length, y / length, z / length];
    const findings = new Set(scene.findings);
    this.has = (finding) => findings.has(finding);
  }

  private mix(other: Rgb, share: number): void {
    const { colour } = this;
    colour[0] = (1 - share) * (colour[0] ?? 0) + share * other[0];
    colour[1] = (1 - share) * (colour[1] ?? 0) + share * other[1];
    colour[2] = (1 - share) * (colour[2] ?? 0) + share * other[2];
  }
  private dim(by: number): void {
    const { colour } = this;
    colour[0] = (colour[0] ?? 0) * by;
    colour[1] = (colour[1] ?? 0) * by;
    colour[2] = (colour[2] ?? 0) * by;
  }
  private paint(one: Rgb): void {
    [this.colour[0], this.colour[1], this.colour[2]] = one;
  }

  /** The insulator: root below, face above; what lies on it besides. */
  private porcelain(error: number, u: number, v: number): void {
    const { grain, scene } = this;
    let e = error + 0.006 * grain.at(9 * u, 9 * v);
    if (scene.painted !== undefined) {
      const over = Math.min(1, Math.max(0, 0.5 + 0.9 * grain.at(2.6 * u + 31, 2.2 * v)));
      e += over * (scene.painted - e);
    }
    this.deposits.at(e, this.colour);
    this.dim(1 + 0.035 * grain.at(26 * u, 26 * v) + 0.02 * grain.at(61 * u, 61 * v));
    this.gloss = 0.06;
    if (this.has("glazed")) {
      this.mix(GLAZE, 0.35);
      // Glass mirrors the sky in a streak, in any light.
      this.mix(SPECK, 0.6 * smooth(0.2, 0.05, Math.abs(u + 0.45)));
      this.gloss = 0.9;
    }
    if (this.has("wet")) {
      // Drops and runs: darker, with a glint each.
      const drop = smooth(0.1, 0.35, grain.at(7 * u + 11, 3 * v));
      this.dim(0.8 - 0.25 * drop);
      this.gloss = 0.3 + 1.2 * drop;
    }
    if (this.has("oily")) {
      const cover = smooth(-0.25, 0.25, grain.at(3 * u + 7, 3 * v));
      this.mix(OIL, 0.85 * cover);
      this.gloss = Math.max(this.gloss, 0.8 * cover);
    }
    if (this.has("specks") && grain.at(24 * u + 3, 24 * v) > 0.8) {
      this.paint(SPECK);
      this.gloss = 1;
    }
  }

  private strap(hit: Hit): void {
    const x = this.shape.acrossStrap(hit.x, hit.y);
    const y = this.shape.alongArm(hit.x, hit.y);
    const along = alongStrap(y, hit.z) + 0.03 * this.grain.at(5 * x + 50, 5 * (y + hit.z));
    const { strap } = this.scene.shows;
    const breaks = Math.min(0.92, Math.max(0.12, 0.52 + 0.2 * this.scene.colderSteps));
    this.deposits.at(strap, this.colour);
    this.mix(METAL, 0.12);
    // Beyond its break the strap was hot enough to burn clean.
    const hot = smooth(breaks - 0.02, breaks + 0.03, along);
    this.mix(BURNT, 0.38 * hot);
    this.mix(BLUED, 0.55 * Math.exp(-(((along - breaks) / 0.025) ** 2)));
    this.dim(1 + 0.06 * this.grain.at(20 * hit.x, 20 * (hit.y + hit.z)));
    this.gloss = 0.25;
  }

  private ring(hit: Hit): void {
    const { ring } = this.scene.shows;
    const r = Math.sqrt(hit.x * hit.x + hit.y * hit.y) || 1;
    const out = (r - BORE_R) / (1 - BORE_R);
    this.deposits.at(ring + 0.01 * this.grain.at(6 * hit.x, 6 * hit.y), this.colour);
    this.mix(METAL, 0.12);
    // Soot lies from the inside outwards: the richer, the wider.
    const sooty =
      Math.min(0.7, Math.max(0.05, 0.2 - 1.8 * ring)) + 0.08 * this.grain.at(4 * hit.x + 9, 4 * hit.y);
    this.mix(SOOT, 0.8 * (1 - smooth(sooty - 0.05, sooty + 0.05, out)));
    this.dim(1 + 0.07 * this.grain.at(24 * hit.x, 24 * hit.y));
    // A bevel towards either edge.
    const bevel = 0.5 * (smooth(0.85, 1, out) - (1 - smooth(0, 0.1, out)));
    const length = Math.sqrt(bevel * bevel + 1);
    hit.nx = (bevel * hit.x) / r / length;
    hit.ny = (bevel * hit.y) / r / length;
    hit.nz = 1 / length;
    this.gloss = this.scene.burns === "twoStroke" ? 0.35 : 0.18;
  }

  private surface(hit: Hit): number {
    const { shows } = this.scene;
    switch (hit.surface) {
      case NOSE: {
        const up = (hit.z - NOSE_SEEN_FROM) / (FACE_Z - NOSE_SEEN_FROM);
        this.porcelain(
          shows.root + smooth(0.66, 0.9, up) * (shows.face - shows.root),
          2.5 * hit.x,
          2 * hit.z,
        );
        return 1 - 0.45 * smooth(-0.3, -0.75, hit.z);
      }
      case FACE:
        this.porcelain(shows.face, 2 * hit.x, 2 * hit.y);
        this.mix(SOOT, 0.5 * (1 - smooth(0.1, 0.14, Math.sqrt(hit.x * hit.x + hit.y * hit.y))));
        return 1;
      case RING:
        this.ring(hit);
        return 1;
      case STRAP:
        this.strap(hit);
        return 1;
      case ELECTRODE:
        this.deposits.at(shows.face, this.colour);
        this.mix(METAL, 0.55);
        this.gloss = 0.4;
        return 0.95;
      case BORE:
        this.paint(METAL);
        this.mix(SOOT, Math.min(0.95, Math.max(0.5, 0.72 - 2 * shows.ring)));
        this.gloss = 0.05;
        return Math.max(0.12, 1 + 0.8 * hit.z);
      default: {
        // The shell's thread: a saw-tooth of normals.
        const turn = hit.z / 0.17 - 0.18 * hit.x;
        const tooth = turn - Math.floor(turn);
        hit.nz = tooth < 0.5 ? 0.75 : -0.75;
        hit.nx *= 0.8;
        hit.ny *= 0.8;
        hit.nz *= 0.8;
        this.paint(METAL);
        this.dim(0.75 + tooth * (1 - tooth) + 0.08 * this.grain.at(14 * hit.x, 14 * hit.z));
        this.gloss = 0.5;
        return 1;
      }
    }
  }

  /** Writes what the camera gets of a place. */
  at(hit: Hit, to: Float32Array, i: number): void {
    const open = this.surface(hit);
    const { ambient, direct, towards, hard } = this.light;
    let facing = hit.nx * towards[0] + hit.ny * towards[1] + hit.nz * towards[2];
    if (facing < 0) facing = 0;
    // The sun does not reach down the bore.
    if (hit.surface === BORE) facing *= open * open;
    const lit = hard > 0.2 && hit.surface !== SHELL && this.shape.shades() ? 1 - hard : 1;
    const glint = hit.nx * this.halfway[0] + hit.ny * this.halfway[1] + hit.nz * this.halfway[2];
    const shine = glint > 0.8 ? this.gloss * (0.25 + 0.75 * hard) * fortieth(glint) * lit : 0;
    const { colour } = this;
    facing *= lit;
    to[i] = (colour[0] ?? 0) * (ambient[0] * open + direct[0] * facing) + direct[0] * shine;
    to[i + 1] = (colour[1] ?? 0) * (ambient[1] * open + direct[1] * facing) + direct[1] * shine;
    to[i + 2] = (colour[2] ?? 0) * (ambient[2] * open + direct[2] * facing) + direct[2] * shine;
  }
}

/** The fortieth power, by squaring: a narrow glint. */
function fortieth(x: number): number {
  const square = x * x;
  const eighth = square * square * square * square;
  const sixteenth = eighth * eighth;
  return sixteenth * sixteenth * eighth;
}

/** How squarely the light falls on what faces the camera, as bench and paper do. */
const facingCamera = ({ towards }: Light): number => Math.max(0, -towards[1] * SIN + towards[2] * COS);

/** @returns the light as the camera takes it in, so that a white that faces it gets that share of its range */
function exposed(light: Light, share: number): Light {
  const by = share / (light.ambient[1] + light.direct[1] * facingCamera(light));
  const scaled = ([r, g, b]: Rgb): Rgb => [by * r, by * g, by * b];
  return { ...light, ambient: scaled(light.ambient), direct: scaled(light.direct) };
}

/** Bench and paper lie flat below the plug and face the camera. */
function behind(a: number, b: number, light: Light, grain: Grain, to: Float32Array, i: number): void {
  const facing = facingCamera(light);
  const paper = a > 0.66 + 0.12 * b && b > 0.78 - 0.06 * a;
  const bench = 0.1 + 0.035 * grain.at(1.3 * a + 20, 1.3 * b);
  const back = paper ? PAPER : bench;
  to[i] = (paper ? back : 1.04 * back) * (light.ambient[0] + light.direct[0] * facing);
  to[i + 1] = back * (light.ambient[1] + light.direct[1] * facing);
  to[i + 2] = (paper ? back : 0.97 * back) * (light.ambient[2] + light.direct[2] * facing);
}

/**
 * @param seed - any whole number: grain, light's place, how it is held, noise
 * @param sidePx - of the square picture, 40..1200
 * @throws {RangeError} for errors beyond ± 1, heat ranges beyond ± 3, or a side out of range
 */
export function plugPicture(scene: PlugScene, seed: number, sidePx = 400): PlugPicture {
  checkSide(sidePx);
  for (const [place, error] of Object.entries({ ...scene.shows, painted: scene.painted ?? 0 }))
    requireRange(`shows.${place}`, error, -1, 1);
  requireRange("colderSteps", scene.colderSteps, -3, 3);
  const random = seededRandom(seed);
  const light = exposed(lightOf(scene.light, random), EXPOSURE[scene.light]);
  const held = 0.09 * random.normal();
  const hit = emptyHit();
  const shape = new PlugShape(0.35 * random.normal(), light.towards, hit);
  const grain = new Grain(Math.floor(2 ** 31 * random.uniform()));
  const shading = new Shading(scene, light, grain, shape);
  const [sin, cos] = [Math.sin(held), Math.cos(held)];
  const side = innerSide(sidePx);
  const linear = new Float32Array(3 * side * side);
  for (let row = 0, i = 0; row < side; row += 1)
    for (let column = 0; column < side; column += 1, i += 3) {
      const a = ((column + 0.5) / side - 0.5) * WIDE;
      const b = (0.5 - (row + 0.5) / side) * WIDE - LOWERED;
      shape.seen(cos * a + sin * b, cos * b - sin * a);
      if (hit.surface === NOTHING) behind(a, b, light, grain, linear, i);
      else shading.at(hit, linear, i);
    }
  const placeOf = (x: number, y: number, z: number): Place => {
    const [a, b] = projected(x, y, z);
    return {
      x: 0.5 + (cos * a - sin * b) / WIDE,
      y: 0.5 - (cos * b + sin * a + LOWERED) / WIDE,
    };
  };
  return {
    ...developed(linear, sidePx, random),
    spots: {
      root: placeOf(0, -noseRadius(ROOT_Z), ROOT_Z),
      face: placeOf(0, -0.2, FACE_Z),
      strap: placeOf(...shape.fromStrap(0, 0.45), 0.56),
      ring: placeOf(-0.62, -0.62, 0),
      paper: { x: 0.5 + 1.03 / WIDE, y: 0.5 - (0.92 + LOWERED) / WIDE },
    },
  };
}
