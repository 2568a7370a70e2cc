/** One sample of an instrument: channel, value, time; the same for every connection. */
import { PRESSURE_DOMAIN_PA, TEMPERATURE_DOMAIN_K } from "../units/domains.ts";

export type Quantity = "rpm" | "depression" | "temperature" | "humidity" | "pressure" | "lambda";

/** Whatever a screen can follow: it came at a moment, on a channel. */
export interface Told {
  /** on a clock that only runs forward */
  readonly atMs: number;
  /** counted from 1: which gauge, which coil */
  readonly channel: number;
}

export interface Sample extends Told {
  readonly quantity: Quantity;
  /** rpm, pascals below the air outside, K, 0..1, pascals, or λ */
  readonly value: number;
}

/** A figure outside these was not measured on an engine, nor in air that one runs in. */
export const DOMAIN: Readonly<Record<Quantity, { readonly min: number; readonly max: number }>> = {
  rpm: { min: 0, max: 30_000 },
  depression: { min: -20_000, max: 101_000 },
  temperature: TEMPERATURE_DOMAIN_K,
  humidity: { min: 0, max: 1 },
  pressure: PRESSURE_DOMAIN_PA,
  lambda: { min: 0.4, max: 2 },
};

/**
 * The newest samples of one channel: so many and no more, however long the engine runs. What comes sooner than the
 * spacing takes the place of the one before it, so that slow things reach further back.
 */
export class Trace<T extends Told = Sample> {
  private readonly kept: T[] = [];
  private readonly most: number;
  private readonly spacingMs: number;

  /** @param most - samples kept, 1 or more */
  constructor(most: number, spacingMs = 0) {
    if (!(Number.isInteger(most) && most >= 1))
      throw new RangeError(`trace must keep at least 1 sample, got ${most}`);
    if (!(spacingMs >= 0)) throw new RangeError(`spacing must be 0 or more, got ${spacingMs}`);
    this.most = most;
    this.spacingMs = spacingMs;
  }

  add(sample: T): void {
    const before = this.kept.at(-2);
    if (before && sample.atMs - before.atMs < this.spacingMs) this.kept.pop();
    this.kept.push(sample);
    if (this.kept.length > this.most) this.kept.shift();
  }

  /** oldest first; a view on what is kept, not a copy */
  get samples(): readonly T[] {
    return this.kept;
  }

  get last(): T | undefined {
    return this.kept.at(-1);
  }

  clear(): void {
    this.kept.length = 0;
  }
}
