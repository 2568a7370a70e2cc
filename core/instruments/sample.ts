/** What an instrument says, one figure at a time, whatever it is connected by. */

export type Quantity = "rpm" | "depression";

export interface Sample {
  /** on a clock that only runs forward */
  readonly atMs: number;
  readonly quantity: Quantity;
  /** counted from 1: which gauge, which coil */
  readonly channel: number;
  /** rpm, or pascals below the air outside */
  readonly value: number;
}

/** A figure outside these was not measured on an engine. */
export const DOMAIN: Readonly<Record<Quantity, { readonly min: number; readonly max: number }>> = {
  rpm: { min: 0, max: 30_000 },
  depression: { min: -20_000, max: 101_000 },
};

/** The newest samples of one channel: so many and no more, however long the engine runs. */
export class Trace {
  private readonly kept: Sample[] = [];
  private readonly most: number;

  /** @param most - samples kept, 1 or more */
  constructor(most: number) {
    if (!(Number.isInteger(most) && most >= 1))
      throw new RangeError(`trace must keep at least 1 sample, got ${most}`);
    this.most = most;
  }

  add(sample: Sample): void {
    this.kept.push(sample);
    if (this.kept.length > this.most) this.kept.shift();
  }

  /** oldest first; a view on what is kept, not a copy */
  get samples(): readonly Sample[] {
    return this.kept;
  }

  get last(): Sample | undefined {
    return this.kept.at(-1);
  }

  clear(): void {
    this.kept.length = 0;
  }
}
