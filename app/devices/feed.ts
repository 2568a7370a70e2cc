/**
 * Feed of an instrument for a screen: its state, and the last seconds of each channel. Samples come as fast as they
 * like; the screen is told five times a second, and no more than those seconds is ever kept.
 */
import { Trace, type Sample, type Told } from "#core/instruments/sample.ts";
import { DeviceProblem, type Device, type DeviceAbout } from "./device.ts";

export interface FeedState<T extends Told = Sample> {
  readonly status: "off" | "connecting" | "live" | "lost";
  readonly about: DeviceAbout | undefined;
  /** set when it is lost */
  readonly message: string | undefined;
  /** by channel, oldest first */
  readonly channels: ReadonlyMap<number, readonly T[]>;
}

const OFF: FeedState<never> = {
  status: "off",
  about: undefined,
  message: undefined,
  channels: new Map<number, readonly never[]>(),
};
/** Fifteen seconds at twenty a second. */
const KEPT = 300;
const TOLD_EVERY_MS = 200;
const SILENT_MS = 4000;

export class DeviceFeed<T extends Told = Sample> {
  private state: FeedState<T> = OFF;
  private device: Device<T> | undefined;
  private readonly listeners = new Set<() => void>();
  private traces = new Map<number, Trace<T>>();
  private told = 0;
  private watchdog: ReturnType<typeof setTimeout> | undefined;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): FeedState<T> => this.state;

  private tell(state: FeedState<T>): void {
    this.state = state;
    for (const listener of this.listeners) listener();
  }

  private take(device: Device<T>, sample: T): void {
    const { channels: most, kept = KEPT, spacingMs } = device.about;
    if (sample.channel > most) return;
    const trace = this.traces.get(sample.channel) ?? new Trace<T>(kept, spacingMs);
    this.traces.set(sample.channel, trace);
    trace.add(sample);
    this.watch(device);
    const now = performance.now();
    if (now - this.told < TOLD_EVERY_MS && this.state.status === "live") return;
    this.told = now;
    const channels = new Map([...this.traces].map(([channel, { samples }]) => [channel, [...samples]]));
    this.tell({ status: "live", about: device.about, message: undefined, channels });
  }

  private watch(device: Device<T>): void {
    clearTimeout(this.watchdog);
    const { silentAfterMs = SILENT_MS } = device.about;
    if (!Number.isFinite(silentAfterMs)) return;
    this.watchdog = setTimeout(() => {
      const seconds = Math.round(silentAfterMs / 1000);
      void this.lose(
        device,
        `Nothing was heard for ${seconds} seconds. Is it running, near, and its cable in?`,
      );
    }, silentAfterMs);
  }

  private async lose(device: Device<T>, message: string): Promise<void> {
    if (this.device !== device) return;
    this.device = undefined;
    clearTimeout(this.watchdog);
    this.tell({ ...this.state, status: "lost", about: device.about, message });
    await device.close();
  }

  /** Never throws: what goes wrong becomes the state "lost", with words. What was shown stays on screen. */
  async start(device: Device<T>): Promise<void> {
    await this.stop();
    this.device = device;
    this.traces = new Map();
    this.told = 0;
    this.tell({ ...OFF, status: "connecting", about: device.about });
    try {
      await device.connect();
      // Left while it was still being asked for: it is let go of as soon as it is there.
      if (this.device !== device) {
        await device.close();
        return;
      }
      this.watch(device);
      for await (const sample of device.samples()) {
        if (this.device !== device) return;
        this.take(device, sample);
      }
      await this.lose(device, "The instrument has gone silent. Connect it again.");
    } catch (error) {
      const words =
        error instanceof DeviceProblem ? error.message : "The instrument failed. Connect it again.";
      await this.lose(device, words);
    }
  }

  async stop(): Promise<void> {
    const { device } = this;
    this.device = undefined;
    clearTimeout(this.watchdog);
    this.traces = new Map();
    if (this.state.status !== "off") this.tell(OFF);
    await device?.close();
  }
}
