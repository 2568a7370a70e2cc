import type { Revision } from "#app/workers/revision.ts";
import { act, render, renderHook, screen, waitFor, within } from "@testing-library/react";
import { fold } from "#core/log/fold.ts";
import { FitEntry, type Entry } from "#core/log/schema.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { advise, type Advice } from "#core/advice/card/advise.ts";
import { Card } from "./card/Card.tsx";
import { Tiles } from "#app/features/today/Tiles.tsx";
import { air, build, fit, fitPart, lookWith, plug } from "../../core/__tests__/entries.ts";
import { advisedThen, changesOfLine, proposedChanges, wayBack } from "#app/journal/fit-changes.ts";
import { lookFaces } from "./look-faces.ts";
import { placeHref, PLACES } from "./places.ts";
import { useAdvice } from "./use-advice.ts";
import { askAdvice } from "#app/journal/judge.ts";

jest.mock("#app/journal/judge.ts", () => ({ askAdvice: jest.fn() }));
const asked = jest.mocked(askAdvice);

const rich: Entry[] = [
  build(),
  air("0001", "08:30"),
  fit("0001", "08:40", 165),
  plug("0001", "09:00", "top", "cocoa"),
  plug("0002", "09:20", "top", "umber"),
];

describe("what one tap logs", () => {
  it("is the whole plan: the parts of the card that differ", () => {
    const advice = advise(rich);
    const all = proposedChanges(advice);
    expect(all?.because).toBe("advice");
    const moved = advice.card.rows.filter(({ from, to }) => from !== to);
    expect(moved.length).toBeGreaterThan(1);
    expect(new Set(all?.changes.map(({ part, to }) => `${part} ${to}`))).toEqual(
      new Set(moved.map(({ part, to }) => `${part} ${to}`)),
    );
  });

  it("or one line of it, and what was advised is kept with either", () => {
    const advice = advise(rich);
    const line = advice.next.kind === "fit" ? advice.next.lines.at(-1) : undefined;
    expect(changesOfLine(advice, line?.changes ?? []).changes).toEqual([
      { part: "main", to: advice.card.setting.main },
    ]);
    expect(FitEntry.shape.advised.parse(advisedThen(advice))).toMatchObject({ next: "fit" });
  });

  it("is nothing when a look is due, and the way back after worse", () => {
    expect(proposedChanges(advise([build()]))).toBeUndefined();
    const worse = lookWith("said", "10:00", {
      type: "compared",
      zone: "top",
      verdict: "worse",
      fit: "fit:0002",
    });
    expect(proposedChanges(advise([build(), fit("0002", "09:30", 162), worse]))).toEqual({
      because: "putBack",
      changes: [{ part: "main", to: 165 }],
    });
  });

  it("puts every part of the open change back", () => {
    const { openChange } = fold([...rich, fit("0002", "09:30", 158), fitPart("0003", "09:31", "clip", 2)]);
    expect(openChange && wayBack(openChange)).toEqual([
      { part: "clip", to: 3 },
      { part: "main", to: 165 },
    ]);
  });
});

describe("a jet that is not stamped as it works", () => {
  it("stands on the card with what it is", () => {
    const drilled = [{ part: "main" as const, stamped: 150, measuredMm: 1.62 }];
    const box = { ...ENDURO_BUILD.box, mains: [], drilled };
    const advice = advise([build("08:00", { box }), air("0001", "08:30"), fit("0001", "08:40", 162)]);
    render(<Card advice={advice} build={{ ...ENDURO_BUILD, box }} />);
    const main = screen.getByRole("region", { name: "Main" });
    expect(within(main).getByText("150 drilled to 1.62 mm.")).toBeInTheDocument();
  });
});

describe("the day's looks on the strip", () => {
  it("are those of the newest day with any, numbered from one", () => {
    const older: Entry = { ...plug("0000", "09:00", "mid", "straw"), at: "2026-05-22T09:00:00+02:00" };
    const started: Entry = { ...build(), at: "2026-05-21T08:00:00+02:00" };
    const faces = lookFaces(fold([started, older, ...rich.slice(1)]));
    expect(faces.map(({ number, face }) => [number, face])).toEqual([
      [1, "cocoa"],
      [2, "umber"],
    ]);
    expect(lookFaces(fold([build()]))).toEqual([]);
  });
});

describe("the places of a rig", () => {
  it("have a key of their own and an address", () => {
    expect(new Set(PLACES.map(({ key }) => key)).size).toBe(PLACES.length);
    expect(placeHref("rig:x", "")).toBe("/rigs/rig:x");
    expect(placeHref("rig:x", "air")).toBe("/rigs/rig:x/air");
  });
});

describe("the card on screen", () => {
  it("shows what is fitted, what to fit, how sure and why, row by row", () => {
    const advice = advise([build(), air("0001", "08:30")]);
    render(<Card advice={advice} build={ENDURO_BUILD} />);
    const main = screen.getByRole("region", { name: "Main" });
    expect(within(main).getByText("165")).toBeInTheDocument();
    expect(within(main).getByText(String(advice.card.setting.main))).toBeInTheDocument();
    expect(within(main).getByText(/(sure|likely|maybe) \(.*%\)/)).toBeInTheDocument();
    expect(screen.getAllByRole("region").map((row) => row.getAttribute("aria-label"))).toEqual([
      "Pilot",
      "Screw",
      "Clip",
      "Main",
    ]);
  });
});

describe("the tiles of the air", () => {
  const advice = advise([build(), air("0001", "08:30")]);
  it("show the figures of the air and say when it is old", () => {
    render(<Tiles advice={advice} airAt={new Date(Date.now() - 64 * 60_000).toISOString()} length="m" />);
    expect(screen.getByText("82.0 %")).toBeInTheDocument();
    expect(screen.getByText("64 min")).toBeInTheDocument();
    expect(screen.getByText("read again before the next heat")).toBeInTheDocument();
  });
  it("say that none was read", () => {
    render(<Tiles advice={advice} airAt={undefined} length="m" />);
    expect(screen.getByText("none")).toBeInTheDocument();
  });
});

describe("asking for advice", () => {
  const rev = (rigId: string, count: number, token = "t"): Revision => ({ rigId, token, count });

  const first = advise(rich);
  const second: Advice = { ...first, looks: [] };
  beforeEach(() => asked.mockReset());

  it("shows the last advice, marked as being worked on, until the new one is there", async () => {
    let answer: (advice: Advice) => void = () => undefined;
    asked
      .mockResolvedValueOnce(first)
      .mockImplementationOnce(() => new Promise((resolve) => (answer = resolve)));
    const { result, rerender } = renderHook(
      ({ revision }) => useAdvice({ revision, entries: rich }, undefined),
      {
        initialProps: { revision: rev("rig:a", 1) },
      },
    );
    expect(result.current).toMatchObject({ advice: undefined, working: true });
    await waitFor(() => expect(result.current).toMatchObject({ advice: first, working: false }));
    rerender({ revision: rev("rig:a", 2) });
    expect(result.current).toMatchObject({ advice: first, working: true });
    await act(async () => answer(second));
    expect(result.current).toMatchObject({ advice: second, working: false });
  });

  it("never shows one rig the advice of another", async () => {
    asked.mockResolvedValueOnce(first).mockImplementationOnce(() => new Promise(() => undefined));
    const { result, rerender } = renderHook(
      ({ revision }) => useAdvice({ revision, entries: rich }, undefined),
      {
        initialProps: { revision: rev("rig:a", 1) },
      },
    );
    await waitFor(() => expect(result.current.advice).toBe(first));
    rerender({ revision: rev("rig:b", 1) });
    expect(result.current).toMatchObject({ advice: undefined, working: true });
  });

  it("keeps the last advice and says what went wrong", async () => {
    asked.mockResolvedValueOnce(first).mockRejectedValueOnce(new Error("The computation stopped."));
    const { result, rerender } = renderHook(
      ({ revision }) => useAdvice({ revision, entries: rich }, undefined),
      {
        initialProps: { revision: rev("rig:a", 1) },
      },
    );
    await waitFor(() => expect(result.current.working).toBe(false));
    rerender({ revision: rev("rig:a", 2) });
    await waitFor(() =>
      expect(result.current).toMatchObject({ advice: first, problem: "The computation stopped." }),
    );
  });
});
