/** A round on the screen: keys and taps call a plug, the clock passes it over. */
import { act, fireEvent, render, screen } from "@testing-library/react";
import { PLUGS_A_ROUND } from "#core/trainer/round.ts";
import { files } from "#app/workers/client.ts";
import { Result } from "./Result.tsx";
import { Round } from "./Round.tsx";
import { callsIn, type Answered, type RoundWanted } from "./use-round.ts";

jest.mock("#app/workers/client.ts", () => ({ files: { drawPlug: jest.fn() } }));
const WANTED: RoundWanted = { seed: 3, light: "shade", burns: "twoStroke", clockS: 0, reader: undefined };

beforeEach(() => jest.mocked(files.drawPlug).mockReturnValue(new Promise(() => undefined)));
afterEach(() => jest.useRealTimers());

function open(wanted = WANTED) {
  const onEnd = jest.fn<void, [readonly Answered[]]>();
  const onStop = jest.fn();
  render(<Round wanted={wanted} onEnd={onEnd} onStop={onStop} />);
  return { onEnd, onStop };
}

describe("a round", () => {
  it("goes on with a key or a tap, and ends once, with twenty", () => {
    const { onEnd } = open();
    fireEvent.keyDown(document.body, { key: "4" });
    expect(screen.getByText("Plug 2 of 20")).toBeInTheDocument();
    fireEvent.click(screen.getByRole("radio", { name: /straw/ }));
    for (let i = 2; i < PLUGS_A_ROUND; i += 1) fireEvent.keyDown(document.body, { key: "7" });
    fireEvent.keyDown(document.body, { key: "7" });
    expect(onEnd).toHaveBeenCalledTimes(1);
    const [answered] = onEnd.mock.calls[0]!;
    expect(answered.map(({ called }) => called).slice(0, 3)).toEqual(["biscuit", "straw", "soot"]);
    expect(callsIn(answered)).toHaveLength(PLUGS_A_ROUND);
  });
  it("takes no other key, and none that the browser is meant by", () => {
    open();
    for (const key of ["0", "8", "a", "Enter"]) fireEvent.keyDown(document.body, { key });
    fireEvent.keyDown(document.body, { key: "3", ctrlKey: true });
    expect(screen.getByText("Plug 1 of 20")).toBeInTheDocument();
  });
  it("against the clock passes a plug over that got no word: it counts for nothing", () => {
    jest.useFakeTimers();
    const { onEnd } = open({ ...WANTED, clockS: 5 });
    expect(screen.getByText("5 s")).toBeInTheDocument();
    act(() => jest.advanceTimersByTime(5300));
    expect(screen.getByText("Plug 2 of 20")).toBeInTheDocument();
    for (let i = 1; i < PLUGS_A_ROUND; i += 1) fireEvent.keyDown(document.body, { key: "4" });
    expect(callsIn(onEnd.mock.calls[0]![0])).toHaveLength(PLUGS_A_ROUND - 1);
  });
  it("says what could not be drawn, and still takes a word", async () => {
    jest.mocked(files.drawPlug).mockRejectedValue(new Error("The worker ended."));
    open();
    expect(await screen.findByRole("alert")).toHaveTextContent(/ended|went wrong/);
    fireEvent.keyDown(document.body, { key: "4" });
    expect(screen.getByText("Plug 2 of 20")).toBeInTheDocument();
  });
  it("ends in a table and the plugs that were called otherwise", () => {
    const { onEnd } = open();
    for (let i = 0; i < PLUGS_A_ROUND; i += 1) fireEvent.keyDown(document.body, { key: "4" });
    const [answered] = onEnd.mock.calls[0]!;
    render(<Result answered={answered} />);
    const right = answered.filter(({ plug }) => plug.tone === "biscuit").length;
    expect(screen.getByRole("heading", { name: `${right} of 20 right` })).toBeInTheDocument();
    expect(screen.getAllByRole("listitem")).toHaveLength(PLUGS_A_ROUND - right);
    expect(screen.getByRole("table", { name: /What was called what/ })).toBeInTheDocument();
  });
});
