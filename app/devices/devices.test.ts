import { seededRandom } from "#core/numbers/random.ts";
import { drawLinked } from "#core/simulator/linked-carburettors.ts";
import type { Sample } from "#core/instruments/sample.ts";
import { DeviceProblem, type Device } from "./device.ts";
import { DeviceFeed } from "./feed.ts";
import { SerialDevice, type Port } from "./serial.ts";
import { SimulatedGauges, SimulatedTachometer } from "./simulated.ts";

const RPM = { name: "Tachometer", measures: ["rpm"], channels: 1 } as const;
const ENGINE = { crestRpm: 1700, peakRpm: 8500, errorAt: (turns: number) => 0.1 * (turns - 1.5) };
const sample = (value: number, channel = 1): Sample => ({ atMs: value, quantity: "rpm", channel, value });

/** A port whose chunks are given beforehand; it then ends, breaks, or stays silent. */
function portOf(chunks: readonly string[], then: "ends" | "breaks" | "silent"): Port & { closed: boolean } {
  const rest = [...chunks];
  const port = {
    closed: false,
    open: () => Promise.resolve(),
    readable: {
      getReader: () => ({
        read: () => {
          const next = rest.shift();
          if (next !== undefined)
            return Promise.resolve({ value: new TextEncoder().encode(next), done: false });
          if (then === "breaks") return Promise.reject(new Error("device has been lost"));
          return then === "ends"
            ? Promise.resolve({ value: undefined, done: true })
            : new Promise(() => undefined);
        },
        cancel: () => Promise.resolve(),
        releaseLock: () => undefined,
      }),
    } as unknown as ReadableStream<Uint8Array>,
    close: () => {
      port.closed = true;
      return Promise.resolve();
    },
  };
  return port;
}
const serial = (port: Port) => new SerialDevice(RPM, () => Promise.resolve(port));

describe("an instrument on a serial port", () => {
  it("gives its samples, and only of what it measures", async () => {
    const device = serial(portOf(["rpm 14", "00\nvac 1 30 kPa\nrpm 1410\n"], "ends"));
    await device.connect();
    const seen: number[] = [];
    for await (const { value } of device.samples()) seen.push(value);
    expect(seen).toEqual([1400, 1410]);
  });
  it.each([
    ["its cable is pulled", portOf(["rpm 1400\n"], "breaks"), "was lost (device has been lost)"],
    ["it babbles", portOf(["zz\n".repeat(50)], "silent"), "cannot be read: lines must read like"],
    ["it ends", portOf(["rpm 1400\n"], "ends"), "has gone silent"],
  ])("ends in words when %s, and its port is closed", async (_, port, words) => {
    const feed = new DeviceFeed();
    await feed.start(serial(port));
    expect(feed.snapshot()).toMatchObject({
      status: "lost",
      message: expect.stringContaining(words) as string,
    });
    expect(port.closed).toBe(true);
  });
  it("says so when no port is chosen, or it does not open", async () => {
    const feed = new DeviceFeed();
    await feed.start(new SerialDevice(RPM));
    expect(feed.snapshot().message).toContain("does not reach serial ports");
    const shut = { ...portOf([], "ends"), open: () => Promise.reject(new Error("busy")) };
    await feed.start(serial(shut));
    expect(feed.snapshot().message).toContain("does not open (busy)");
  });
});

describe("the feed of a screen", () => {
  afterEach(() => jest.useRealTimers());
  const deviceOf = (samples: readonly Sample[], fails?: Error): Device & { closed: boolean } => {
    const device = {
      closed: false,
      about: { ...RPM, simulated: false },
      connect: () => Promise.resolve(),
      async *samples() {
        yield* samples;
        if (fails) throw fails;
        await new Promise<void>(() => undefined);
      },
      close: () => {
        device.closed = true;
        return Promise.resolve();
      },
    };
    return device;
  };
  const soon = () => new Promise((resolve) => setTimeout(resolve, 20));

  it("keeps the last seconds and no more, and tells the screen now and then", async () => {
    const feed = new DeviceFeed();
    let told = 0;
    feed.subscribe(() => (told += 1));
    void feed.start(deviceOf(Array.from({ length: 5000 }, (_, i) => sample(i))));
    await soon();
    const kept = feed.snapshot().channels.get(1) ?? [];
    expect(kept.length).toBeLessThanOrEqual(300);
    expect(feed.snapshot().status).toBe("live");
    expect(told).toBeLessThan(10);
  });
  it("takes no channel that the instrument does not have", async () => {
    const feed = new DeviceFeed();
    void feed.start(deviceOf([sample(1400, 3), sample(1400, 1)]));
    await soon();
    expect([...feed.snapshot().channels.keys()]).toEqual([1]);
  });
  it("is lost with words after four silent seconds, and the device is closed", async () => {
    jest.useFakeTimers();
    const feed = new DeviceFeed();
    const device = deviceOf([sample(1400)]);
    void feed.start(device);
    await jest.advanceTimersByTimeAsync(3900);
    expect(feed.snapshot().status).toBe("live");
    await jest.advanceTimersByTimeAsync(200);
    expect(feed.snapshot()).toMatchObject({
      status: "lost",
      message: expect.stringContaining("4 seconds") as string,
    });
    expect(device.closed).toBe(true);
  });
  it("lets go of an instrument that comes only after the screen was left", async () => {
    const feed = new DeviceFeed();
    let open: () => void = () => undefined;
    const device = deviceOf([sample(1400)]);
    let closed = 0;
    const late: Device = {
      ...device,
      connect: () => new Promise<void>((resolve) => (open = resolve)),
      close: () => {
        closed += 1;
        return Promise.resolve();
      },
    };
    const over = feed.start(late);
    await soon();
    await feed.stop();
    const before = closed;
    open();
    await over;
    expect(closed).toBeGreaterThan(before);
    expect(feed.snapshot().status).toBe("off");
  });
  it("says nothing of an error's inside, and can be started again", async () => {
    const feed = new DeviceFeed();
    await feed.start(deviceOf([], new TypeError("x is not a function")));
    expect(feed.snapshot().message).toBe("The instrument failed. Connect it again.");
    await feed.start(deviceOf([], new DeviceProblem("Out of paper.")));
    expect(feed.snapshot().message).toBe("Out of paper.");
    await feed.stop();
    expect(feed.snapshot().status).toBe("off");
  });
});

describe("simulated instruments", () => {
  it("run twenty times a second, warm up, and end when closed", async () => {
    const tachometer = new SimulatedTachometer(ENGINE, { screwTurns: 1.5, idleStopTurns: 0, throttle: 0 }, 7);
    await tachometer.connect();
    const seen: number[] = [];
    for await (const { value } of tachometer.samples()) {
      seen.push(value);
      if (seen.length === 8) void tachometer.close();
    }
    expect(seen).toHaveLength(8);
    expect(seen.every((rpm) => rpm > 1000 && rpm < 1900)).toBe(true);
    expect(tachometer.about.simulated).toBe(true);
  });
  it("have one gauge a carburettor, and answer a screw", async () => {
    const gauges = new SimulatedGauges(drawLinked("shaft", 2, 1200, seededRandom(3)), 5);
    await gauges.connect();
    const seen: Sample[] = [];
    for await (const one of gauges.samples()) {
      seen.push(one);
      if (seen.length === 40) gauges.controls = { ...gauges.controls, shaftScrews: [4] };
      if (seen.length === 80) void gauges.close();
    }
    const mean = (from: number, channel: number) => {
      const mine = seen.slice(from, from + 40).filter((one) => one.channel === channel);
      return mine.reduce((sum, { value }) => sum + value, 0) / mine.length;
    };
    expect(mean(40, 2)).toBeLessThan(mean(0, 2) - 2000);
  });
});
