/** The card that is held back, where screens stand in the work, and fits of several carburettors. */
import { fireEvent, render, screen, waitFor } from "@testing-library/react";
import { createMemoryRouter, RouterProvider } from "react-router";
import { fold } from "#core/log/fold.ts";
import type { Present } from "#core/log/present.ts";
import type { Entry, Setting } from "#core/log/schema.ts";
import { ENDURO_BUILD, ENDURO_HEADER } from "#demo/enduro-build.ts";
import { at, build, fit } from "../../core/__tests__/entries.ts";
import type { RigContext } from "./use-rig.ts";
import { changesTowards, wayBack } from "#app/journal/fit-changes.ts";
import { HeldCard } from "./HeldCard.tsx";
import { KEYS } from "./KeyTable.tsx";
import { placeAt, placeLink, PLACES, rememberScreen } from "./places.ts";

const { setting } = ENDURO_BUILD.baseline;
const RIG = ENDURO_HEADER.id;

const stopped: Entry = {
  id: "check:0001",
  at: at("08:10"),
  kind: "check",
  check: "choke",
  state: "stop",
  measured: {},
  findings: [],
  note: "",
};

function show(present: Present, action: (reason: unknown) => unknown) {
  const context = { header: ENDURO_HEADER, present } as unknown as RigContext;
  const router = createMemoryRouter(
    [
      { path: "/", element: <HeldCard context={context} /> },
      {
        path: "/rigs/:rigId",
        action: async ({ request }) => action((await request.json()) as Record<string, unknown>),
      },
    ],
    { initialEntries: ["/"] },
  );
  return render(<RouterProvider router={router} />);
}

describe("the card held back", () => {
  it("names the check that stops it and leads there", async () => {
    show(fold([build(), stopped]), () => ({}));
    expect(await screen.findByRole("alert")).toHaveTextContent("The card is held back");
    expect(screen.getByRole("link", { name: "Choke really off" })).toHaveAttribute(
      "href",
      `/rigs/${RIG}/walk-round/choke`,
    );
  });

  it("asks for a reason before it gives way, and shows why it was refused", async () => {
    const sent = jest.fn(() => ({ message: "Say why: it is printed on the card." }));
    show(fold([build(), stopped]), sent);
    fireEvent.click(await screen.findByRole("button", { name: "I know" }));
    fireEvent.change(await screen.findByLabelText("Why all the same"), { target: { value: "one lap" } });
    fireEvent.click(screen.getByRole("button", { name: "I know: show the card" }));
    await waitFor(() => expect(sent).toHaveBeenCalledWith({ intent: "override", reason: "one lap" }));
    expect(await screen.findByText("Say why: it is printed on the card.")).toBeInTheDocument();
    fireEvent.click(screen.getByRole("button", { name: "Mend it first" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).not.toBeInTheDocument());
  });
});

describe("the places of the work", () => {
  const place = (name: string) => {
    const found = PLACES.find((candidate) => candidate.name === name);
    if (!found) throw new Error(`no place ${name}`);
    return found;
  };
  it("know the screens that belong to them, however the address is written", () => {
    const nameAt = (path: string) => placeAt(RIG, path)?.name;
    expect(nameAt(`/rigs/${RIG}`)).toBe("Today");
    expect(nameAt(`/rigs/${RIG}/`)).toBe("Today");
    for (const path of ["build", "box", "base", "teardown", "schools"])
      expect(nameAt(`/rigs/${RIG}/${path}`)).toBe("Rig");
    expect(nameAt(`/rigs/${RIG}/work`)).toBe("Change");
    expect(nameAt(`/rigs/${RIG}/logger`)).toBe("Look");
    expect(nameAt(`/rigs/${RIG}/walk-round/choke`)).toBe("Walk-round");
    expect(nameAt(`/rigs/${RIG}/then`)).toBe("Log");
    expect(nameAt(`/rigs/${encodeURIComponent(RIG)}/air`)).toBe("Air");
    expect(nameAt("/rigs/rig:another/air")).toBeUndefined();
    expect(nameAt("/data")).toBeUndefined();
  });
  it("lead to the tab that was open last, and from within to the first one", () => {
    const at = `/rigs/${RIG}/pack`;
    expect(placeLink(place("Ahead"), RIG)).toBe(`/rigs/${RIG}/day`);
    rememberScreen(RIG, at);
    expect(placeLink(place("Ahead"), RIG, `/rigs/${RIG}/air`)).toBe(at);
    expect(placeLink(place("Ahead"), "rig:another")).toBe("/rigs/rig:another/day");
    expect(placeLink(place("Ahead"), RIG, at)).toBe(`/rigs/${RIG}/day`);
    // A screen that a tab leads to is no tab.
    rememberScreen(RIG, `/rigs/${RIG}/then`);
    expect(placeLink(place("Log"), RIG)).toBe(`/rigs/${RIG}/log`);
  });
  it("say what is due, what is assumed and what stops", () => {
    const state = (name: string, present: Present, assumed?: string[]) =>
      place(name).state({ present, build: { ...ENDURO_BUILD, assumed } } as unknown as RigContext);
    expect(state("Walk-round", fold([build()]))).toBe("due");
    expect(state("Walk-round", fold([build(), stopped]))).toBe("stop");
    expect(state("Rig", fold([build()]))).toBe("");
    expect(state("Rig", fold([build()]), ["carburettor.boreMm"])).toBe("1 assumed");
  });
  it("have a key each, their screens a digit, and four of them stand in reach of a thumb", () => {
    const keys = KEYS.map(([key]) => key);
    expect(keys.filter((key, i) => keys.indexOf(key) !== i)).toEqual([]);
    const real = PLACES.filter(({ inPractice }) => inPractice !== "alone");
    expect(keys).toEqual(expect.arrayContaining(real.map(({ key }) => `g ${key}`)));
    expect(real.filter(({ onPhone }) => onPhone)).toHaveLength(4);
    expect(PLACES.every(({ screens }) => screens.length <= 9)).toBe(true);
  });
});

describe("fits of several carburettors", () => {
  const with_ = (change: Partial<Setting>): Setting => ({ ...setting, ...change });
  it("are said once where all want the same, one by one where they differ", () => {
    expect(
      changesTowards([with_({}), with_({ main: 160 })], [with_({ main: 150 }), with_({ main: 150 })]),
    ).toEqual([{ part: "main", to: 150 }]);
    expect(changesTowards([with_({}), with_({})], [with_({}), with_({ main: 150, clip: 2 })])).toEqual([
      { part: "clip", to: 2, carburettor: 2 },
      { part: "main", to: 150, carburettor: 2 },
    ]);
    expect(changesTowards([setting], [setting])).toEqual([]);
  });
  it("go back to what each of them had", () => {
    const two = build("08:00", { engine: { ...ENDURO_BUILD.engine, cylinders: 2 }, carburettors: 2 });
    const own: Entry = {
      id: "fit:0009",
      at: at("08:30"),
      kind: "fit",
      changes: [{ part: "main", to: 160, carburettor: 2 }],
      because: "own",
    };
    const look: Entry = {
      id: "look:0001",
      at: at("08:40"),
      kind: "look",
      reading: { type: "plug", zone: "top", tone: "straw", cut: "clean", colderSteps: 0 },
    };
    const { openChange } = fold([two, own, look, fit("0002", "09:00", 150)]);
    expect(openChange && wayBack(openChange)).toEqual([
      { part: "main", to: 165, carburettor: 1 },
      { part: "main", to: 160, carburettor: 2 },
    ]);
  });
});
