/** Simulated instruments that ship with the app, behind the same interface as real ones. */
import { seededRandom, type Random } from "#core/numbers/random.ts";
import type { Sample, Told } from "#core/instruments/sample.ts";
import {
  readLinked,
  swing,
  untouched,
  type LinkedCarburettors,
  type LinkedControls,
} from "#core/simulator/linked-carburettors.ts";
import {
  runOn,
  startCold,
  type RunningControls,
  type RunningEngine,
  type RunningState,
} from "#core/simulator/running-engine.ts";
import type { Device, DeviceAbout } from "./device.ts";

/** Twenty figures a second, as a quick instrument sends them. */
export const SAMPLE_MS = 50;

/** Samples made on a clock until it is closed. */
export abstract class Simulated<T extends Told = Sample> implements Device<T> {
  abstract readonly about: DeviceAbout;
  private wake: (() => void) | undefined;
  private open = false;

  connect(): Promise<void> {
    this.open = true;
    return Promise.resolve();
  }

  protected abstract sample(atMs: number, dtMs: number): readonly T[];

  async *samples(): AsyncIterable<T> {
    let last = performance.now();
    while (this.open) {
      await new Promise<void>((resolve) => {
        const timer = setTimeout(resolve, SAMPLE_MS);
        this.wake = () => {
          clearTimeout(timer);
          resolve();
        };
      });
      const now = performance.now();
      // A tab that slept wakes up to the present, not to a minute of catching up.
      if (this.open) yield* this.sample(now, Math.min(1000, now - last));
      last = now;
    }
  }

  close(): Promise<void> {
    this.open = false;
    this.wake?.();
    return Promise.resolve();
  }
}

/** An engine at idle with its tachometer; the screen turns the screws through `controls`. */
export class SimulatedTachometer extends Simulated {
  readonly about: DeviceAbout = { name: "Tachometer", measures: ["rpm"], channels: 1, simulated: true };
  controls: RunningControls;
  private readonly engine: RunningEngine;
  private readonly random: Random;
  private state: RunningState;

  constructor(engine: RunningEngine, controls: RunningControls, seed: number) {
    super();
    this.engine = engine;
    this.controls = controls;
    this.random = seededRandom(seed);
    this.state = startCold(engine);
  }

  /** At idle, with the screw where it stands, log, + lean. */
  get mixtureError(): number {
    return this.engine.errorAt(this.controls.screwTurns);
  }

  /** After a stall: warm as it was. */
  restart(): void {
    this.state = { ...startCold(this.engine), warmth: this.state.warmth };
  }

  protected sample(atMs: number, dtMs: number): readonly Sample[] {
    for (let done = 0; done < dtMs; done += SAMPLE_MS)
      this.state = runOn(
        this.engine,
        this.state,
        this.controls,
        Math.min(SAMPLE_MS, dtMs - done) / 1000,
        this.random,
      );
    const shown = Math.round((this.state.rpm * (1 + 0.002 * this.random.normal())) / 5) * 5;
    return [{ atMs, quantity: "rpm", channel: 1, value: shown }];
  }
}

/** As many vacuum gauges as there are carburettors, on an engine that is out of step. */
export class SimulatedGauges extends Simulated {
  readonly about: DeviceAbout;
  controls: LinkedControls;
  private readonly engine: LinkedCarburettors;
  private readonly random: Random;

  constructor(engine: LinkedCarburettors, seed: number) {
    super();
    this.engine = engine;
    this.controls = untouched(engine);
    this.random = seededRandom(seed);
    this.about = {
      name: `${engine.offsets.length} vacuum gauges`,
      measures: ["depression"],
      channels: engine.offsets.length,
      simulated: true,
    };
  }

  protected sample(atMs: number): readonly Sample[] {
    const { rpm, depressionsPa } = readLinked(this.engine, this.controls);
    return depressionsPa.map((settled, i) => ({
      atMs,
      quantity: "depression",
      channel: i + 1,
      value: swing(settled, rpm, atMs, i, this.random),
    }));
  }
}
