/** The microphone as a tachometer: what it hears is worked out and let go of; no sound is stored or leaves the page. */
import windowAddress from "./window.worklet.ts?worker&url";
import { hear, type Heard, type Listening } from "#core/instruments/engine-sound/hear.ts";
import type { Sample } from "#core/instruments/sample.ts";
import { DeviceProblem, type Device, type DeviceAbout } from "./device.ts";
import { Waiting } from "./waiting.ts";

/** Windows of sound as they come; ends when it is closed. */
export interface Ear {
  readonly rateHz: number;
  readonly windows: AsyncIterable<Float32Array>;
  close(): Promise<void>;
}

const mediaOf = (): MediaDevices | undefined =>
  "mediaDevices" in navigator ? navigator.mediaDevices : undefined;

/** @returns whether this browser has a microphone to ask for; only where the page is safe from others */
export const hasMicrophone = (): boolean => mediaOf() !== undefined && "AudioWorkletNode" in globalThis;

const REFUSALS: Readonly<Record<string, string>> = {
  NotAllowedError:
    "The microphone was not allowed. Allow it for this page in the browser’s settings, or type the figures.",
  NotFoundError: "No microphone was found here. Plug one in, or type the figures.",
  NotReadableError: "The microphone is held by another program. Close that, or type the figures.",
};

/** As it hears: a phone that levels and cleans a voice takes the engine away. */
const PLAIN = { echoCancellation: false, noiseSuppression: false, autoGainControl: false };

async function streamOf(): Promise<MediaStream> {
  const media = mediaOf();
  if (!media) throw new DeviceProblem("This browser reaches no microphone here. Type the figures instead.");
  return media.getUserMedia({ audio: PLAIN }).catch((error: unknown) => {
    const name = error instanceof Error ? error.name : "";
    throw new DeviceProblem(REFUSALS[name] ?? "The microphone does not open. Type the figures instead.");
  });
}

/** @throws {DeviceProblem} with words for the screen */
export async function openMicrophone(): Promise<Ear> {
  const stream = await streamOf();
  const context = new AudioContext();
  const windows = new Waiting<Float32Array>(1);
  const close = async (): Promise<void> => {
    windows.end();
    for (const track of stream.getTracks()) track.stop();
    if (context.state !== "closed") await context.close();
  };
  try {
    await context.audioWorklet.addModule(windowAddress);
    const node = new AudioWorkletNode(context, "tamis-window", { numberOfOutputs: 0 });
    node.port.onmessage = ({ data }: MessageEvent<Float32Array>) => windows.put(data);
    context.createMediaStreamSource(stream).connect(node);
    stream.getAudioTracks()[0]?.addEventListener("ended", () => windows.end());
    await context.resume();
  } catch {
    await close();
    throw new DeviceProblem("This browser does not let the sound through. Type the figures instead.");
  }
  return { rateHz: context.sampleRate, windows, close };
}

/** After a silence of so long what was heard before says nothing of an octave. */
const FORGOTTEN_MS = 3000;

export const MICROPHONE = "Microphone";

export class MicrophoneTachometer implements Device {
  readonly about: DeviceAbout = {
    name: MICROPHONE,
    measures: ["rpm"],
    channels: 1,
    simulated: false,
    silentAfterMs: Infinity,
  };
  private readonly listening: Listening;
  private readonly onHeard: (heard: Heard) => void;
  private readonly open: () => Promise<Ear>;
  private ear: Ear | undefined;
  private last: { readonly rpm: number; readonly atMs: number } | undefined;
  private answered = false;

  /** @param onHeard - told of every window: too quiet, not sure, what is asked, or the speed */
  constructor(
    listening: Listening,
    onHeard: (heard: Heard) => void,
    open: () => Promise<Ear> = openMicrophone,
  ) {
    this.listening = listening;
    this.onHeard = onHeard;
    this.open = open;
  }

  /** The tuner says that it is the engine, and its speed: from there on it is followed, however steady. */
  settle(rpm: number): void {
    this.answered = true;
    this.last = { rpm, atMs: performance.now() };
  }

  async connect(): Promise<void> {
    this.ear = await this.open();
  }

  async *samples(): AsyncIterable<Sample> {
    const { ear } = this;
    if (!ear) throw new DeviceProblem("The microphone is not open. Connect it again.");
    for await (const sound of ear.windows) {
      const atMs = performance.now();
      const fresh = this.last && atMs - this.last.atMs < FORGOTTEN_MS ? this.last.rpm : undefined;
      const heard = hear(sound, ear.rateHz, {
        ...this.listening,
        nearRpm: fresh,
        answered: this.answered,
      });
      this.onHeard(heard);
      if (heard.kind !== "rpm") continue;
      this.last = { rpm: heard.rpm, atMs };
      yield { atMs, quantity: "rpm", channel: 1, value: heard.rpm };
    }
  }

  async close(): Promise<void> {
    await this.ear?.close();
    this.ear = undefined;
  }
}
