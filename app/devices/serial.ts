/** Real instruments on a serial port, through the browser: lines of text as docs/devices.md has them. */
import { LineReader } from "#core/instruments/lines.ts";
import type { Sample } from "#core/instruments/sample.ts";
import { DeviceProblem, type Device, type DeviceAbout } from "./device.ts";

/** The part of a browser's serial port that is used here. */
export interface Port {
  open(options: { baudRate: number }): Promise<void>;
  readonly readable: ReadableStream<Uint8Array> | null;
  close(): Promise<void>;
}

interface Serial {
  requestPort(): Promise<Port>;
}

const serialOf = (holder: object): Serial | undefined =>
  "serial" in holder ? (holder.serial as Serial) : undefined;

/** @returns whether this browser can talk to a serial port at all */
export const hasSerial = (): boolean => serialOf(navigator) !== undefined;

/** What a way by cord takes of a browser. */
export const SERIAL_PORT = () => ({ what: "serial port", there: hasSerial() });

const BAUD = 115_200;
/** So many figures of something else, and none of what is wanted: it is another instrument. */
const ENOUGH_OF_OTHERS = 20;

const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

async function choosePort(): Promise<Port> {
  const serial = serialOf(navigator);
  if (!serial) throw new DeviceProblem("This browser does not reach serial ports. Type the figures instead.");
  return serial.requestPort().catch((error: unknown) => {
    throw new DeviceProblem(`No port was chosen (${wordsOf(error)}). Type the figures, or choose again.`);
  });
}

export class SerialDevice implements Device {
  readonly about: DeviceAbout;
  private readonly choose: () => Promise<Port>;
  private port: Port | undefined;
  private reader: ReadableStreamDefaultReader<Uint8Array> | undefined;

  constructor(about: Omit<DeviceAbout, "simulated">, choose: () => Promise<Port> = choosePort) {
    this.about = { ...about, simulated: false };
    this.choose = choose;
  }

  async connect(): Promise<void> {
    const port = await this.choose();
    await port.open({ baudRate: BAUD }).catch((error: unknown) => {
      throw new DeviceProblem(
        `The port does not open (${wordsOf(error)}). Is another program using it? Unplug it and plug it in again.`,
      );
    });
    this.port = port;
  }

  async *samples(): AsyncIterable<Sample> {
    const { port } = this;
    if (!port?.readable) throw new DeviceProblem("The port says nothing. Unplug it and plug it in again.");
    const reader = port.readable.getReader();
    this.reader = reader;
    const decoder = new TextDecoder();
    const lines = new LineReader();
    let others = 0;
    try {
      for (;;) {
        const { value, done } = await reader.read().catch((error: unknown) => {
          throw new DeviceProblem(`The instrument was lost (${wordsOf(error)}). Is its cable in?`);
        });
        if (done) return;
        for (const sample of lines.read(decoder.decode(value, { stream: true })))
          if (this.about.measures.includes(sample.quantity)) {
            others = -Infinity;
            yield { ...sample, atMs: performance.now() };
          } else if (++others >= ENOUGH_OF_OTHERS)
            throw new DeviceProblem(
              `This instrument sends ${sample.quantity}, not ${this.about.measures.join(" or ")}. Choose its own port.`,
            );
      }
    } catch (error) {
      if (error instanceof RangeError)
        throw new DeviceProblem(`What comes cannot be read: ${error.message}. Is it the right port?`);
      throw error;
    } finally {
      reader.releaseLock();
      this.reader = undefined;
    }
  }

  async close(): Promise<void> {
    await this.reader?.cancel().catch(() => undefined);
    await this.port?.close().catch(() => undefined);
    this.port = undefined;
  }
}
