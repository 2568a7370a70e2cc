import { act, fireEvent, render, screen } from "@testing-library/react";
import { useState } from "react";
import { HELD_MS, REPEAT_MS, StepButton } from "./StepButton.tsx";

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

function Counting({ most = 100 }: { most?: number }) {
  const [steps, setSteps] = useState(0);
  return (
    <>
      <output>{steps}</output>
      <StepButton label="More" up disabled={steps >= most} onStep={() => setSteps((now) => now + 1)} />
      <StepButton label="Less" up={false} onStep={() => setSteps((now) => now - 1)} />
    </>
  );
}
const steps = () => Number(screen.getByRole("status").textContent);
const more = () => screen.getByRole("button", { name: "More" });
const pass = (ms: number) => act(() => jest.advanceTimersByTime(ms));
const tap = (button: HTMLElement) => {
  fireEvent.pointerDown(button);
  fireEvent.pointerUp(button);
  fireEvent.click(button, { detail: 1 });
};

it("steps once a tap, and once a key", () => {
  render(<Counting />);
  tap(more());
  tap(more());
  fireEvent.click(more(), { detail: 0 });
  pass(5 * HELD_MS);
  expect(steps()).toBe(3);
});

it("goes on while it is held, and no further when let go", () => {
  render(<Counting />);
  fireEvent.pointerDown(more());
  pass(HELD_MS + 4 * REPEAT_MS);
  fireEvent.pointerUp(more());
  fireEvent.click(more(), { detail: 1 });
  expect(steps()).toBe(5);
  pass(10 * REPEAT_MS);
  expect(steps()).toBe(5);
  tap(more());
  expect(steps()).toBe(6);
});

it("held to the end of its range it stays there, also when the other way is taken next", () => {
  render(<Counting most={2} />);
  fireEvent.pointerDown(more());
  pass(HELD_MS);
  for (let n = 0; n < 10; n += 1) pass(REPEAT_MS);
  expect(steps()).toBe(2);
  // At its end the button hears no more of the hand: the page does.
  fireEvent.pointerUp(window);
  tap(screen.getByRole("button", { name: "Less" }));
  pass(10 * REPEAT_MS);
  expect(steps()).toBe(1);
});

it("stops when the finger slides off", () => {
  render(<Counting />);
  fireEvent.pointerDown(more());
  pass(HELD_MS);
  fireEvent.pointerLeave(more());
  pass(10 * REPEAT_MS);
  expect(steps()).toBe(1);
});
