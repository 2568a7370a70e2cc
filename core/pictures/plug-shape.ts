/**
 * A spark plug's firing end as quadrics, and where a line of sight meets them. The shell's outer radius is 1, its ring
 * lies at z = 0, the axis points up out of the engine. Orthographic view from the front, tilted off the axis.
 */

export const NOTHING = 0;
export const RING = 1;
export const SHELL = 2;
export const BORE = 3;
export const NOSE = 4;
export const FACE = 5;
export const ELECTRODE = 6;
export const STRAP = 7;

export const BORE_R = 0.74;
const BORE_DEEP = -1.3;
const THREAD_DEEP = -2.6;
/** The insulator's nose: a cone from deep in the bore to its face. */
export const FACE_Z = 0.1;
export const FACE_R = 0.3;
const NOSE_SLOPE = -0.115;
const ELECTRODE_R = 0.1;
const ELECTRODE_Z = 0.24;
/** The strap: a leg on the ring's far side, and an arm that reaches over the electrode. */
const ARM = { x: 0.16, y: [-0.13, 0.95], z: [0.42, 0.56] } as const;
const LEG = { x: 0.16, y: [0.79, 0.95], z: [-0.02, 0.56] } as const;

/** Angle between the plug's axis and the line of sight. */
const TILT = (38 * Math.PI) / 180;
export const SIN = Math.sin(TILT);
export const COS = Math.cos(TILT);

/** What a line of sight met: place, unit normal, and a second place along the surface where it has one. */
export interface Hit {
  surface: number;
  x: number;
  y: number;
  z: number;
  nx: number;
  ny: number;
  nz: number;
}
export const emptyHit = (): Hit => ({ surface: NOTHING, x: 0, y: 0, z: 0, nx: 0, ny: 0, nz: 1 });

export const noseRadius = (z: number): number => FACE_R + NOSE_SLOPE * (z - FACE_Z);

interface Box {
  readonly x: number;
  readonly y: readonly [number, number];
  readonly z: readonly [number, number];
}

/**
 * Slab test, with the inverse of the ray's direction.
 * @returns how far along the ray a box is entered, or Infinity
 */
function entered(box: Box, ox: number, oy: number, oz: number, ix: number, iy: number, iz: number): number {
  const ax = (-box.x - ox) * ix;
  const bx = (box.x - ox) * ix;
  const ay = (box.y[0] - oy) * iy;
  const by = (box.y[1] - oy) * iy;
  const az = (box.z[0] - oz) * iz;
  const bz = (box.z[1] - oz) * iz;
  const near = Math.max(Math.min(ax, bx), Math.min(ay, by), Math.min(az, bz));
  return near < Math.min(Math.max(ax, bx), Math.max(ay, by), Math.max(az, bz)) ? near : Infinity;
}

/** Of a direction that runs along a side of a box too. */
const inverse = (along: number): number => 1 / (Math.abs(along) < 1e-9 ? 1e-9 : along);

/** Called for every pixel: it makes no objects, and writes into one. */
export class PlugShape {
  private readonly sin: number;
  private readonly cos: number;
  /** line of sight in the strap's axes, and its inverse */
  private readonly dx: number;
  private readonly dy: number;
  private readonly ix: number;
  private readonly iy: number;
  /** inverse of the light's direction there */
  private readonly lx: number;
  private readonly ly: number;
  private readonly lz: number;
  /** the part of the picture that the strap is in */
  private readonly left: number;
  private readonly right: number;
  private readonly low: number;
  private readonly high: number;
  private readonly hit: Hit;
  private oy = 0;
  private oz = 0;
  private nearest = Infinity;

  /**
   * @param turned - of the strap from straight behind, radians
   * @param light - direction towards it
   * @param hit - written over by every {@link seen}
   */
  constructor(turned: number, light: readonly [number, number, number], hit: Hit) {
    this.hit = hit;
    this.sin = Math.sin(turned);
    this.cos = Math.cos(turned);
    this.dx = this.sin * SIN;
    this.dy = this.cos * SIN;
    [this.ix, this.iy] = [inverse(this.dx), inverse(this.dy)];
    this.lx = inverse(this.acrossStrap(light[0], light[1]));
    this.ly = inverse(this.alongArm(light[0], light[1]));
    this.lz = inverse(light[2]);
    const corners = [ARM, LEG].flatMap((box) =>
      [-box.x, box.x].flatMap((x) =>
        box.y.flatMap((y) => box.z.map((z) => projected(...this.fromStrap(x, y), z))),
      ),
    );
    this.left = Math.min(...corners.map(([a]) => a));
    this.right = Math.max(...corners.map(([a]) => a));
    this.low = Math.min(...corners.map(([, b]) => b));
    this.high = Math.max(...corners.map(([, b]) => b));
  }

  /** @returns a place in the strap's own axes: across it */
  acrossStrap(x: number, y: number): number {
    return this.cos * x + this.sin * y;
  }
  /** and along its arm */
  alongArm(x: number, y: number): number {
    return this.cos * y - this.sin * x;
  }

  /** The way back: from the strap's own axes. */
  fromStrap(x: number, y: number): readonly [number, number] {
    return [this.cos * x - this.sin * y, this.sin * x + this.cos * y];
  }

  /** @returns whether the strap stands between what was seen and the light */
  shades(): boolean {
    const { x, y, z } = this.hit;
    const ox = this.acrossStrap(x, y);
    const oy = this.alongArm(x, y);
    const { lx, ly, lz } = this;
    const s = Math.min(entered(ARM, ox, oy, z, lx, ly, lz), entered(LEG, ox, oy, z, lx, ly, lz));
    return s > 0.02 && s < 9;
  }

  private take(s: number, surface: number, nx: number, ny: number, nz: number, x: number): void {
    this.nearest = s;
    const { hit } = this;
    hit.surface = surface;
    hit.x = x;
    hit.y = this.oy + s * SIN;
    hit.z = this.oz - s * COS;
    hit.nx = nx;
    hit.ny = ny;
    hit.nz = nz;
  }

  /** What is seen at a place of the picture, `a` to the right and `b` upwards of the axis at z = 0. */
  seen(a: number, b: number): void {
    this.hit.surface = NOTHING;
    this.nearest = Infinity;
    // The ray: x = a, y = oy + s sin, z = oz - s cos, from well above.
    this.oy = b * COS - 6 * SIN;
    this.oz = b * SIN + 6 * COS;
    if (a * a < 1) this.shell(a);
    if (a > this.left && a < this.right && b > this.low && b < this.high) this.strap(a);
  }

  private shell(a: number): void {
    const { oy, oz } = this;
    const atRing = oz / COS;
    const ringY = oy + atRing * SIN;
    const square = a * a + ringY * ringY;
    if (square <= 1 && square >= BORE_R * BORE_R) this.take(atRing, RING, 0, 0, 1, a);
    else if (square > 1) {
      const y = -Math.sqrt(1 - a * a);
      const s = (y - oy) / SIN;
      const z = oz - s * COS;
      if (z < 0 && z > THREAD_DEEP) this.take(s, SHELL, a, y, 0, a);
    } else {
      const y = Math.sqrt(BORE_R * BORE_R - a * a);
      const s = (y - oy) / SIN;
      if (oz - s * COS > BORE_DEEP) this.take(s, BORE, -a / BORE_R, -y / BORE_R, 0, a);
      else this.take((oz - BORE_DEEP) / COS, BORE, 0, 0, 1, a);
    }
    if (a * a < 0.25) this.nose(a);
  }

  private nose(a: number): void {
    const { oy, oz } = this;
    // The cone: a² + y² = (r + k (z - zf))², with y and z linear in s.
    const k = NOSE_SLOPE;
    const base = FACE_R + k * (oz - FACE_Z);
    const qa = SIN * SIN - k * k * COS * COS;
    const qb = 2 * (oy * SIN + base * k * COS);
    const qc = a * a + oy * oy - base * base;
    const root = qb * qb - 4 * qa * qc;
    if (root > 0) {
      const s = (-qb - Math.sqrt(root)) / (2 * qa);
      const z = oz - s * COS;
      if (s < this.nearest && z <= FACE_Z) {
        const length = noseRadius(z) * Math.sqrt(1 + k * k);
        this.take(s, NOSE, a / length, (oy + s * SIN) / length, -k, a);
      }
    }
    const atFace = (oz - FACE_Z) / COS;
    const faceY = oy + atFace * SIN;
    if (atFace < this.nearest && a * a + faceY * faceY <= FACE_R * FACE_R) {
      // Its edge is rounded.
      const r = Math.sqrt(a * a + faceY * faceY);
      const round = (0.7 * Math.max(0, (r / FACE_R - 0.7) / 0.3)) / (r || 1);
      const length = Math.sqrt(round * round * r * r + 1);
      this.take(atFace, FACE, (round * a) / length, (round * faceY) / length, 1 / length, a);
    }
    if (a * a > ELECTRODE_R * ELECTRODE_R) return;
    const y = -Math.sqrt(ELECTRODE_R * ELECTRODE_R - a * a);
    const s = (y - oy) / SIN;
    const z = oz - s * COS;
    if (s < this.nearest && z >= FACE_Z && z <= ELECTRODE_Z)
      this.take(s, ELECTRODE, a / ELECTRODE_R, y / ELECTRODE_R, 0, a);
    const top = (oz - ELECTRODE_Z) / COS;
    const topY = oy + top * SIN;
    if (top < this.nearest && a * a + topY * topY <= ELECTRODE_R * ELECTRODE_R)
      this.take(top, ELECTRODE, 0, 0, 1, a);
  }

  private strap(a: number): void {
    const { oz } = this;
    const ox = this.acrossStrap(a, this.oy);
    const oy = this.alongArm(a, this.oy);
    for (let i = 0; i < 2; i += 1) {
      const box = i === 0 ? ARM : LEG;
      const s = entered(box, ox, oy, oz, this.ix, this.iy, -1 / COS);
      if (s >= this.nearest) continue;
      // The side that is met, turned back into the plug's axes.
      const x = ox + s * this.dx;
      const up = Math.abs(oz - s * COS - box.z[1]) < 1e-3;
      const side = !up && Math.abs(Math.abs(x) - box.x) < 1e-3;
      const nx = side ? Math.sign(x) : 0;
      const ny = up || side ? 0 : oy + s * this.dy < (box.y[0] + box.y[1]) / 2 ? -1 : 1;
      this.take(s, STRAP, this.cos * nx - this.sin * ny, this.sin * nx + this.cos * ny, up ? 1 : 0, a);
    }
  }
}

/** @returns where a place of the plug stands in the picture, right and up */
export const projected = (x: number, y: number, z: number): readonly [number, number] => [
  x,
  y * COS + z * SIN,
];

/** How far along the strap from its weld to its end, 0..1, by the strap's own axes. */
export function alongStrap(y: number, z: number): number {
  const leg = ARM.z[1] - LEG.z[0];
  const arm = ARM.y[1] - ARM.y[0];
  return z < ARM.z[0] ? (z - LEG.z[0]) / (leg + arm) : (leg + (ARM.y[1] - y)) / (leg + arm);
}
