import type { Fix } from "#core/satellites/fix.ts";
import type { Sample } from "#core/instruments/sample.ts";
import { BluetoothStation, type RemoteStation, type RemoteValue } from "./bluetooth.ts";
import { DeviceFeed } from "./feed.ts";
import { fixOf, Satellites } from "./satellites.ts";
import { SerialDevice, type Port } from "./serial.ts";
import { SimulatedLambda } from "./simulated-lambda.ts";
import { SimulatedSatellites } from "./simulated-satellites.ts";
import { SimulatedStation, STATION } from "./simulated-station.ts";
import { Waiting } from "./waiting.ts";

const bytes = (...list: number[]) => new DataView(Uint8Array.from(list).buffer);
const soon = (ms = 20) => new Promise((resolve) => setTimeout(resolve, ms));

interface Fake {
  readonly station: RemoteStation;
  notify(uuid: number, value: DataView): void;
  lose(): void;
  readonly disconnected: () => boolean;
}

/** A station of so many values, which sends them or has to be asked. */
function stationOf(values: Readonly<Record<number, DataView>>, sends = true): Fake {
  const listeners = new Map<number, (event: Event) => void>();
  let onLost: () => void = () => undefined;
  let gone = false;
  const remote = (uuid: number): RemoteValue => ({
    properties: { notify: sends },
    readValue: () => Promise.resolve(values[uuid] ?? bytes()),
    startNotifications: () => Promise.resolve(undefined),
    addEventListener: (_, listener) => void listeners.set(uuid, listener),
  });
  return {
    station: {
      gatt: {
        connect: () =>
          Promise.resolve({
            getPrimaryService: () =>
              Promise.resolve({
                getCharacteristic: (uuid: number) =>
                  values[uuid] ? Promise.resolve(remote(uuid)) : Promise.reject(new Error("none")),
              }),
          }),
        disconnect: () => (gone = true),
      },
      addEventListener: (_, listener) => void (onLost = listener),
    },
    notify: (uuid, value) => listeners.get(uuid)?.({ target: { value } } as unknown as Event),
    lose: () => onLost(),
    disconnected: () => gone,
  };
}
const AIR = { 0x2a6e: bytes(0x52, 0x08), 0x2a6f: bytes(0xc0, 0x12), 0x2a6d: bytes(0x28, 0x14, 0x0f, 0) };

describe("a weather station over Bluetooth", () => {
  const started = async (fake: Fake) => {
    const feed = new DeviceFeed();
    const over = feed.start(new BluetoothStation(() => Promise.resolve(fake.station)));
    await soon(300);
    return { feed, over };
  };
  it("gives what it sends, lets a notification follow, and is let go of", async () => {
    const fake = stationOf(AIR);
    const { feed } = await started(fake);
    const newest = (channel: number) => feed.snapshot().channels.get(channel)?.at(-1)?.value;
    expect(feed.snapshot().status).toBe("live");
    fake.notify(0x2a6e, bytes(0xb6, 0x08));
    await soon(250);
    fake.notify(0x2a6e, bytes(0xb6, 0x08));
    await soon(250);
    expect(newest(1)).toBeCloseTo(295.45, 6);
    await feed.stop();
    expect(fake.disconnected()).toBe(true);
  });
  it("is asked where it does not send by itself, and may have no barometer", async () => {
    const { feed } = await started(stationOf({ 0x2a6e: AIR[0x2a6e], 0x2a6f: AIR[0x2a6f] }, false));
    expect(feed.snapshot().status).toBe("live");
    await feed.stop();
  });
  it.each<[string, (fake: Fake) => void, string]>([
    ["it is lost", (fake) => fake.lose(), "The station was lost"],
    [
      "it babbles",
      (fake) => {
        for (let i = 0; i < 12; i += 1) fake.notify(0x2a6f, bytes(1));
      },
      "cannot be read",
    ],
  ])("ends in words when %s", async (_, happens, words) => {
    const fake = stationOf(AIR);
    const { feed, over } = await started(fake);
    happens(fake);
    await over;
    expect(feed.snapshot()).toMatchObject({
      status: "lost",
      message: expect.stringContaining(words) as string,
    });
  });
  it("says so when it measures no air, none is chosen, or the browser has no Bluetooth", async () => {
    const feed = new DeviceFeed();
    await feed.start(new BluetoothStation(() => Promise.resolve(stationOf({}).station)));
    expect(feed.snapshot().message).toContain("does not answer as one that measures air");
    await feed.start(new BluetoothStation());
    expect(feed.snapshot().message).toContain("does not reach Bluetooth");
    const choose = jest.fn().mockRejectedValue(new Error("cancelled"));
    Object.defineProperty(navigator, "bluetooth", { value: { requestDevice: choose }, configurable: true });
    await feed.start(new BluetoothStation());
    expect(feed.snapshot().message).toContain("No station was chosen");
    choose.mockRejectedValue(Object.assign(new Error("no"), { name: "SecurityError" }));
    await feed.start(new BluetoothStation());
    expect(feed.snapshot().message).toContain("not allowed for this page");
    Reflect.deleteProperty(navigator, "bluetooth");
  });
});

describe("an instrument on a cord that is another one", () => {
  it("is named by what it sends", async () => {
    const text = new TextEncoder().encode("rpm 1400\n".repeat(40));
    let given = false;
    const port = {
      open: () => Promise.resolve(),
      readable: {
        getReader: () => ({
          read: () => {
            if (given) return new Promise(() => undefined);
            given = true;
            return Promise.resolve({ value: text, done: false });
          },
          cancel: () => Promise.resolve(),
          releaseLock: () => undefined,
        }),
      },
      close: () => Promise.resolve(),
    } as unknown as Port;
    const feed = new DeviceFeed();
    await feed.start(new SerialDevice({ ...STATION, name: "Weather station" }, () => Promise.resolve(port)));
    expect(feed.snapshot().message).toContain("sends rpm, not temperature or humidity or pressure");
  });
});

describe("satellites", () => {
  const positionOf = (coords: Partial<GeolocationCoordinates>): GeolocationPosition =>
    ({
      timestamp: 1000,
      coords: {
        latitude: 45,
        longitude: 6,
        accuracy: 5,
        altitude: null,
        altitudeAccuracy: null,
        speed: null,
        heading: null,
        ...coords,
      },
    }) as GeolocationPosition;
  const browserWith = (watch: (ok: PositionCallback, bad: PositionErrorCallback) => void) => {
    const cleared = jest.fn();
    Object.defineProperty(navigator, "geolocation", {
      configurable: true,
      value: {
        watchPosition: (ok: PositionCallback, bad: PositionErrorCallback) => {
          watch(ok, bad);
          return 7;
        },
        clearWatch: cleared,
      },
    });
    return cleared;
  };
  afterEach(() => Reflect.deleteProperty(navigator, "geolocation"));

  it("tell what the browser knows, and leave out what it does not", () => {
    expect(fixOf(positionOf({}))).toEqual({
      atMs: 1000,
      channel: 1,
      latitude: 45,
      longitude: 6,
      accuracyM: 5,
    });
    expect(fixOf(positionOf({ altitude: 380, altitudeAccuracy: 8, speed: 12 }))).toMatchObject({
      heightM: 380,
      heightAccuracyM: 8,
      speedMs: 12,
    });
    expect(fixOf(positionOf({ speed: -1 }))).not.toHaveProperty("speedMs");
    expect(fixOf(positionOf({ latitude: NaN }))).toBeUndefined();
  });
  it("are let go of when they are stopped", async () => {
    const cleared = browserWith((ok) => ok(positionOf({})));
    const feed = new DeviceFeed<Fix>();
    void feed.start(new Satellites());
    await soon();
    expect(feed.snapshot().channels.get(1)).toHaveLength(1);
    await feed.stop();
    expect(cleared).toHaveBeenCalledWith(7);
  });
  it.each([
    [1, "was not allowed"],
    [2, "No satellites are heard"],
    [3, "took too long"],
  ])("say what refusal %d is, and what works instead", async (code, words) => {
    browserWith((_, bad) => bad({ code } as GeolocationPositionError));
    const feed = new DeviceFeed<Fix>();
    await feed.start(new Satellites());
    expect(feed.snapshot().message).toContain(words);
    expect(feed.snapshot().message).toContain("Type the figures instead");
  });
  it("are missing in a browser that has none", async () => {
    const feed = new DeviceFeed<Fix>();
    await feed.start(new Satellites());
    expect(feed.snapshot().message).toContain("does not say where it is");
  });
});

describe("the stand-ins", () => {
  async function some<T>(
    device: { connect(): Promise<void>; samples(): AsyncIterable<T>; close(): Promise<void> },
    count: number,
  ) {
    await device.connect();
    const seen: T[] = [];
    for await (const one of device.samples()) {
      seen.push(one);
      if (seen.length === count) void device.close();
      if (seen.length >= count) break;
    }
    return seen;
  }
  it("a station lives an hour in a minute and stands at its height", async () => {
    const seen: Sample[] = await some(new SimulatedStation(1910, 5), 30);
    const pressures = seen.filter(({ quantity }) => quantity === "pressure");
    expect(pressures[0]?.value).toBeGreaterThan(77_000);
    expect(pressures[0]?.value).toBeLessThan(83_000);
    expect((pressures.at(-1)?.atMs ?? 0) - (pressures[0]?.atMs ?? 0)).toBeGreaterThan(15_000);
  });
  it("satellites stand where they are, ten times a second", async () => {
    const seen: Fix[] = await some(new SimulatedSatellites("stands", 380, 5), 5);
    expect(seen.map(({ atMs }) => atMs)).toEqual([100, 200, 300, 400, 500]);
    expect(Math.abs((seen[0]?.heightM ?? 0) - 380)).toBeLessThan(25);
  });
  it("a λ meter moves with the hand at first", async () => {
    const seen: Sample[] = await some(new SimulatedLambda(0.88, 5), 20);
    const values = seen.map(({ value }) => value);
    expect(Math.max(...values) - Math.min(...values)).toBeGreaterThan(0.03);
  });
});

describe("what waits to be taken", () => {
  it("is never more than so much, the newest, and ends or fails after it", async () => {
    const waiting = new Waiting<number>(3);
    waiting.put(1, 2, 3, 4, 5);
    waiting.fail(new Error("lost"));
    const seen: number[] = [];
    await expect(
      (async () => {
        for await (const one of waiting) seen.push(one);
      })(),
    ).rejects.toThrow("lost");
    expect(seen).toEqual([3, 4, 5]);
    const ended = new Waiting<number>(3);
    ended.put(1);
    ended.end();
    for await (const one of ended) seen.push(one);
    expect(seen).toHaveLength(3);
  });
});
