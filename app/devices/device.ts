/** One interface for every instrument, whether it hangs on a wire or ships with the app as a stand-in. */
import type { Quantity, Sample } from "#core/instruments/sample.ts";

export interface DeviceAbout {
  /** as it is called on screen */
  readonly name: string;
  readonly measures: Quantity;
  readonly channels: number;
  /** what it says is stored with that mark */
  readonly simulated: boolean;
  /** says itself when it hears nothing: silence is no loss */
  readonly patient?: true;
}

export interface Device {
  readonly about: DeviceAbout;
  /** @throws {DeviceProblem} with words for the screen */
  connect(): Promise<void>;
  /** Ends when the device is closed; throws {@link DeviceProblem} when it is lost or babbles. */
  samples(): AsyncIterable<Sample>;
  close(): Promise<void>;
}

/** Words for the screen: what happened and what to do. */
export class DeviceProblem extends Error {
  override readonly name = "DeviceProblem";
}
