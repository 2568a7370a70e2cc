/** A weather station over Bluetooth, by the standard Environmental Sensing Service. */
import {
  CHARACTERISTICS,
  ENVIRONMENTAL_SENSING,
  readCharacteristic,
  type Characteristic,
} from "#core/instruments/environmental-sensing.ts";
import type { Sample } from "#core/instruments/sample.ts";
import { DeviceProblem, type Device, type DeviceAbout } from "./device.ts";
import { STATION } from "./simulated-station.ts";
import { Waiting } from "./waiting.ts";

/** The parts of a browser's Bluetooth that are used here. */
export interface RemoteValue {
  readonly properties: { readonly notify: boolean };
  readValue(): Promise<DataView>;
  startNotifications(): Promise<unknown>;
  addEventListener(type: "characteristicvaluechanged", listener: (event: Event) => void): void;
}
export interface RemoteStation {
  readonly name?: string | undefined;
  readonly gatt?: {
    connect(): Promise<{
      getPrimaryService(service: number): Promise<{ getCharacteristic(uuid: number): Promise<RemoteValue> }>;
    }>;
    disconnect(): void;
  };
  addEventListener(type: "gattserverdisconnected", listener: () => void): void;
}
interface Bluetooth {
  requestDevice(options: { filters: readonly { services: readonly number[] }[] }): Promise<RemoteStation>;
}

const bluetoothOf = (holder: object): Bluetooth | undefined =>
  "bluetooth" in holder ? (holder.bluetooth as Bluetooth) : undefined;

/** @returns whether this browser reaches Bluetooth at all */
export const hasBluetooth = (): boolean => bluetoothOf(navigator) !== undefined;

const INSTEAD = "Type the figures, or choose again.";

async function chooseStation(): Promise<RemoteStation> {
  const bluetooth = bluetoothOf(navigator);
  if (!bluetooth)
    throw new DeviceProblem("This browser does not reach Bluetooth. Type the figures, or use a cord.");
  return bluetooth
    .requestDevice({ filters: [{ services: [ENVIRONMENTAL_SENSING] }] })
    .catch((error: unknown) => {
      const refused = error instanceof Error && error.name === "SecurityError";
      throw new DeviceProblem(
        refused ? `Bluetooth is not allowed for this page. ${INSTEAD}` : `No station was chosen. ${INSTEAD}`,
      );
    });
}

/** How often a value that is not sent by itself is asked for. */
const ASKED_EVERY_MS = 2000;
const LISTED = Object.entries(CHARACTERISTICS) as [Characteristic, number][];
/** So many values in a row that cannot be read, and it speaks another language. */
const MOST_NOISE = 10;

export class BluetoothStation implements Device {
  readonly about: DeviceAbout = { ...STATION, name: "Weather station", simulated: false };
  private readonly choose: () => Promise<RemoteStation>;
  private readonly waiting = new Waiting<Sample>(12);
  private station: RemoteStation | undefined;
  private asking: ReturnType<typeof setInterval> | undefined;
  private noise = 0;

  constructor(choose: () => Promise<RemoteStation> = chooseStation) {
    this.choose = choose;
  }

  private take(kind: Characteristic, value: DataView): void {
    const read = readCharacteristic(kind, value);
    if (read.kind === "samples") {
      this.noise = 0;
      this.waiting.put(...read.samples.map((said) => ({ ...said, atMs: performance.now() })));
    } else if (read.kind === "noise" && ++this.noise >= MOST_NOISE)
      this.waiting.fail(new DeviceProblem(`What the station sends cannot be read: ${read.why}. ${INSTEAD}`));
  }

  /** Sent by itself where it can be, asked for where not. */
  private async listen(kind: Characteristic, remote: RemoteValue): Promise<void> {
    this.take(kind, await remote.readValue());
    if (!remote.properties.notify) {
      this.asked.push(() => remote.readValue().then((value) => this.take(kind, value)));
      return;
    }
    remote.addEventListener("characteristicvaluechanged", ({ target }) => {
      const { value } = target as unknown as { value?: DataView };
      if (value) this.take(kind, value);
    });
    await remote.startNotifications();
  }

  private readonly asked: (() => Promise<void>)[] = [];

  async connect(): Promise<void> {
    const station = await this.choose();
    const lost = () => this.waiting.fail(new DeviceProblem("The station was lost. Is it near, and charged?"));
    station.addEventListener("gattserverdisconnected", lost);
    this.station = station;
    try {
      const server = await station.gatt?.connect();
      const service = await server?.getPrimaryService(ENVIRONMENTAL_SENSING);
      if (!service) throw new Error("no service");
      let heard = 0;
      for (const [kind, uuid] of LISTED) {
        const remote = await service.getCharacteristic(uuid).catch(() => undefined);
        if (!remote) continue;
        heard += 1;
        await this.listen(kind, remote);
      }
      if (heard === 0) throw new Error("no values");
    } catch {
      throw new DeviceProblem(`The station does not answer as one that measures air. ${INSTEAD}`);
    }
    if (this.asked.length > 0)
      this.asking = setInterval(() => {
        for (const ask of this.asked) void ask().catch(lost);
      }, ASKED_EVERY_MS);
  }

  samples(): AsyncIterable<Sample> {
    return this.waiting;
  }

  close(): Promise<void> {
    clearInterval(this.asking);
    this.waiting.end();
    this.station?.gatt?.disconnect();
    this.station = undefined;
    return Promise.resolve();
  }
}
