/** Tachometer, gauges and steppers as they stand on screen, and what feeds them. */
import { act, fireEvent, render, screen } from "@testing-library/react";
import { humidAir } from "#core/air/humid-air.ts";
import type { Sample } from "#core/instruments/sample.ts";
import { drawLinked, untouched, type LinkedControls } from "#core/simulator/linked-carburettors.ts";
import { seededRandom } from "#core/numbers/random.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { GaugeBars } from "#app/features/balance/GaugeBars.tsx";
import { SimulatedScrews } from "#app/features/balance/SimulatedScrews.tsx";
import { damped } from "#app/devices/damped.ts";
import { TurnsStepper } from "#app/ui/TurnsStepper.tsx";
import { BigWatch } from "#app/features/stopwatch/BigWatch.tsx";
import { phaseName } from "./words.ts";
import { seedOf, simulatedEngine } from "#app/devices/simulated-engine.ts";
import { SimulatedHands, Tachometer } from "./Tachometer.tsx";
import type { Heard } from "#core/instruments/engine-sound/hear.ts";
import { Hearing } from "./Hearing.tsx";

const { setting } = ENDURO_BUILD.baseline;
const air = humidAir(ENDURO_BUILD.baseline.air);
const samples = (value: number): Sample[] =>
  Array.from({ length: 40 }, (_, i) => ({ atMs: i * 50, quantity: "rpm", channel: 1, value }));
const settled = { settled: true, mean: 1496, restMs: 2000 };

beforeAll(() => {
  globalThis.ResizeObserver ??= class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});

describe("the tachometer", () => {
  const show = (state: typeof settled, rpm = 1500) =>
    render(<Tachometer samples={samples(rpm)} state={state} sinceMs={4200} onStop={() => undefined} />);
  it("shows the settled mean, and for how long it has rested", () => {
    show(settled);
    expect(screen.getByText("1496")).toBeInTheDocument();
    expect(screen.getByText("Settled for 5 s")).toBeInTheDocument();
    expect(screen.getByRole("img", { name: /last 15 seconds/ })).toBeInTheDocument();
  });
  it("says that it settles, or that it has stalled", () => {
    show({ ...settled, settled: false });
    expect(screen.getByText("Settling, 4 s since the last turn")).toBeInTheDocument();
    show({ ...settled, settled: false }, 0);
    expect(screen.getByText("Stalled")).toBeInTheDocument();
  });
  it("opens and shuts the throttle of the stand-in with the hand, or with a key", () => {
    const blips: boolean[] = [];
    render(
      <SimulatedHands
        idleStopTurns={0}
        onIdleStop={() => undefined}
        onBlip={(open) => blips.push(open)}
        onRestart={() => undefined}
      />,
    );
    const blip = screen.getByRole("button", { name: "Blip: hold" });
    fireEvent.pointerDown(blip);
    fireEvent.pointerUp(blip);
    fireEvent.keyDown(blip, { key: " " });
    fireEvent.keyUp(blip, { key: " " });
    expect(blips).toEqual([true, false, true, false]);
  });
});

describe("a screw in quarter turns", () => {
  it("steps by a quarter and stops at either end", () => {
    const seen: number[] = [];
    const at = (value: number) => (
      <TurnsStepper
        label="Idle stop"
        value={value}
        from={-0.25}
        to={0.25}
        onChange={(next) => seen.push(next)}
      />
    );
    const { rerender } = render(at(0));
    fireEvent.click(screen.getByRole("button", { name: "Idle stop a quarter turn more" }));
    rerender(at(0.25));
    expect(screen.getByRole("button", { name: "Idle stop a quarter turn more" })).toBeDisabled();
    rerender(at(-0.25));
    expect(screen.getByText("−¼")).toBeInTheDocument();
    expect(seen).toEqual([0.25]);
  });
});

describe("the gauges", () => {
  it("are told in figures to whoever cannot see the bars", () => {
    render(<GaugeBars gaugesPa={[30_000, 34_500]} allowedPa={2700} unit="cmHg" sides={[[1], [2]]} />);
    expect(
      screen.getByRole("img", { name: "Vacuum of each carburettor. 1: 22.5 cmHg, 2: 25.9 cmHg" }),
    ).toBeInTheDocument();
  });
  it("have a screw for each place between carburettors, or a stop and a cable each", () => {
    let controls: LinkedControls = untouched(drawLinked("shaft", 4, 1200, seededRandom(1)));
    const screws = (linkage: "shaft" | "cables", count: number) => (
      <SimulatedScrews
        linkage={linkage}
        count={count}
        controls={controls}
        onControls={(next) => (controls = next)}
      />
    );
    const { rerender } = render(screws("shaft", 4));
    expect(screen.getAllByRole("group").map((group) => group.getAttribute("aria-label"))).toEqual([
      "Screws of the simulated engine",
      "Open 2 and beyond",
      "Open 3 and beyond",
      "Open 4",
    ]);
    fireEvent.click(screen.getByRole("button", { name: "Open 3 and beyond a quarter turn less" }));
    expect(controls.shaftScrews).toEqual([0, -0.25, 0]);
    rerender(screws("cables", 2));
    fireEvent.click(screen.getByRole("button", { name: "Cable of 2 a quarter turn more" }));
    expect(controls.cables[1]).toBe(0.25);
  });
  it("are damped over the last moments, and wait for every channel", () => {
    const swinging = (channel: number): Sample[] =>
      [20_000, 30_000, 40_000].map((value, i) => ({
        atMs: i * 1000,
        quantity: "depression",
        channel,
        value,
      }));
    const both = new Map([1, 2].map((channel) => [channel, swinging(channel)]));
    expect(damped(both, 2, 1500)).toEqual([35_000, 35_000]);
    expect(damped(both, 2, 60_000)).toEqual([30_000, 30_000]);
    expect(damped(both, 3, 1500)).toBeUndefined();
  });
});

describe("the stand-in for the engine", () => {
  it("is off by what the advice believes, and moves with the screw as the model says", () => {
    const engine = simulatedEngine("rig:one", ENDURO_BUILD, setting, air, { mean: 0.03, sd: 0 });
    expect(engine.errorAt(setting.screwTurns)).toBeCloseTo(0.03, 12);
    // An air screw: further out is leaner.
    expect(engine.errorAt(setting.screwTurns + 0.5)).toBeGreaterThan(0.03);
  });
  it("has the same secret every time for one rig, another for the next", () => {
    const secret = (rig: string) => simulatedEngine(rig, ENDURO_BUILD, setting, air).errorAt(1.5);
    expect(secret("rig:one")).toBe(secret("rig:one"));
    expect(secret("rig:one")).not.toBe(secret("rig:two"));
    expect(seedOf("rig:one")).not.toBe(seedOf("rig:two"));
  });
});

describe("the watch", () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());
  const press = (name: string) => fireEvent.click(screen.getByRole("button", { name }));
  it("starts and stops with one button, and gives the time between", () => {
    const times: number[] = [];
    render(<BigWatch laps={false} onTime={(seconds) => times.push(seconds)} />);
    press("Start");
    act(() => jest.advanceTimersByTime(8400));
    expect(screen.getByRole("timer")).toHaveTextContent("8.40 s");
    press("Stop");
    expect(times[0]).toBeCloseTo(8.4, 3);
    expect(screen.getByRole("button", { name: "Start" })).toBeInTheDocument();
  });
  it("runs on from lap to lap until it is ended", () => {
    const times: number[] = [];
    render(<BigWatch laps onTime={(seconds) => times.push(seconds)} />);
    press("Start");
    for (const lap of [61_000, 60_500]) {
      act(() => jest.advanceTimersByTime(lap));
      press("Lap");
    }
    press("End");
    expect(times.map((seconds) => Number(seconds.toFixed(1)))).toEqual([61, 60.5]);
  });
});

test("the phases of the bench are counted", () => {
  expect([phaseName("warm"), phaseName("blip")]).toEqual(["1 Warm", "5 Blip"]);
});

describe("what the microphone makes of it", () => {
  const settled: number[] = [];
  const show = (heard: Heard | undefined) =>
    render(<Hearing heard={heard} onSettle={(rpm) => settled.push(rpm)} />);

  it.each([
    [undefined, "Listening: the first figure takes two seconds."],
    [{ kind: "tooQuiet" }, /^Too quiet\. Hold the phone nearer/],
    [{ kind: "unsure" }, /^Not sure: something else is louder/],
    [{ kind: "rpm", rpm: 1740, clear: 3.8 }, "Heard by the microphone, plainly. No sound is kept."],
    [{ kind: "rpm", rpm: 1740, clear: 0.6 }, /faintly/],
  ] as const)("%j is said", (heard, words) => {
    show(heard);
    expect(screen.getByRole("status")).toHaveTextContent(words);
  });

  it.each([
    [
      { kind: "asked", rpms: [1502.3, 3004.6], clear: 1 },
      "Which speed is it: 1500 or 3000 rpm?",
      "It is 3000",
      3004.6,
    ],
    [{ kind: "asked", rpms: [3004.6], clear: 1 }, /^Is it 3000 rpm\? That is far/, "It is 3000", 3004.6],
    [
      { kind: "steady", rpm: 1500, clear: 5 },
      /^1500 rpm, but as steady as mains/,
      "Yes, it is the engine",
      1500,
    ],
  ] as const)("asks where it is not sure, and one tap says so: %j", (heard, words, tap, rpm) => {
    show(heard);
    expect(screen.getByRole("status")).toHaveTextContent(words);
    fireEvent.click(screen.getByRole("button", { name: tap }));
    expect(settled.at(-1)).toBe(rpm);
  });
});
