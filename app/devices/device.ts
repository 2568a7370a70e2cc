/** One interface for every instrument, whether it hangs on a wire or ships with the app as a stand-in. */
import type { Quantity, Sample, Told } from "#core/instruments/sample.ts";

export interface DeviceAbout {
  /** as it is called on screen */
  readonly name: string;
  readonly measures: readonly Quantity[];
  readonly channels: number;
  /** what it says is stored with that mark */
  readonly simulated: boolean;
  /** quiet for longer than this it is lost; an instrument that says itself when it hears nothing may take for ever */
  readonly silentAfterMs?: number;
  /** what comes sooner takes the place of the one before: slow things are kept longer */
  readonly spacingMs?: number;
  /** newest of a channel that are kept */
  readonly kept?: number;
}

export interface Device<T extends Told = Sample> {
  readonly about: DeviceAbout;
  /** @throws {DeviceProblem} with words for the screen */
  connect(): Promise<void>;
  /** Ends when the device is closed; throws {@link DeviceProblem} when it is lost or babbles. */
  samples(): AsyncIterable<T>;
  close(): Promise<void>;
}

/** Words for the screen: what happened and what to do. */
export class DeviceProblem extends Error {
  override readonly name = "DeviceProblem";
}
