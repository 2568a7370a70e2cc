/** What a screen says of an advice that is being worked out. */
import { act, renderHook } from "@testing-library/react";
import type { Advice } from "#core/advice/card/advise.ts";
import type { AirEntry, Entry } from "#core/log/schema.ts";
import type { Revision } from "#app/workers/revision.ts";
import { useAdvice } from "./use-advice.ts";

const rev = (rigId: string, count: number, token = "t"): Revision => ({ rigId, token, count });

let answer: ((advice: Advice) => void)[] = [];
jest.mock("#app/journal/judge.ts", () => ({
  askAdvice: () => new Promise<Advice>((resolve) => answer.push(resolve)),
}));

const ENTRIES: readonly Entry[] = [];
const FIRST = { first: true } as unknown as Advice;
const SECOND = { second: true } as unknown as Advice;
const draft = (temperatureK: number) => ({ temperatureK }) as AirEntry;
const answered = (advice: Advice) => act(() => Promise.resolve(answer.shift()?.(advice)));

const asked = (kept?: Advice) =>
  renderHook(
    ({ revision, air }: { revision: Revision; air: AirEntry | undefined }) =>
      useAdvice({ revision, entries: ENTRIES }, air, 0, undefined, kept),
    { initialProps: { revision: rev("rig:a", 1), air: undefined as AirEntry | undefined } },
  );

beforeEach(() => {
  answer = [];
  jest.useFakeTimers();
});
afterEach(() => jest.useRealTimers());

describe("an advice that is worked out", () => {
  it("for an air being typed shows the last one, and says it is at work only when that takes its time", async () => {
    const { result, rerender } = asked();
    expect(result.current).toMatchObject({ advice: undefined, working: true });
    await answered(FIRST);
    expect(result.current).toMatchObject({ advice: FIRST, working: false });
    rerender({ revision: rev("rig:a", 1), air: draft(290) });
    expect(result.current).toMatchObject({ advice: FIRST, working: false });
    act(() => jest.advanceTimersByTime(200));
    expect(result.current).toMatchObject({ advice: FIRST, working: true });
    await answered(SECOND);
    expect(result.current).toMatchObject({ advice: SECOND, working: false });
    // The next key starts anew.
    rerender({ revision: rev("rig:a", 1), air: draft(291) });
    expect(result.current.working).toBe(false);
  });
  it("that was kept is there at once, and the judge is asked only for what is new", async () => {
    const { result, rerender } = asked(FIRST);
    expect(result.current).toMatchObject({ advice: FIRST, working: false });
    expect(answer).toHaveLength(0);
    rerender({ revision: rev("rig:a", 1), air: draft(290) });
    expect(result.current).toMatchObject({ advice: FIRST, working: false });
    expect(answer).toHaveLength(1);
    await answered(SECOND);
    expect(result.current.advice).toBe(SECOND);
    rerender({ revision: rev("rig:a", 2), air: undefined });
    expect(result.current).toMatchObject({ advice: SECOND, working: true });
  });
  it("for a log that has grown is of a moment ago at once: nothing is logged by it", async () => {
    const { result, rerender } = asked();
    await answered(FIRST);
    rerender({ revision: rev("rig:a", 2), air: undefined });
    expect(result.current).toMatchObject({ advice: FIRST, working: true });
    await answered(SECOND);
    expect(result.current).toMatchObject({ advice: SECOND, working: false });
    rerender({ revision: rev("rig:b", 1), air: undefined });
    expect(result.current).toMatchObject({ advice: undefined, working: true });
  });
});
