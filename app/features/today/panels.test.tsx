/** What Today says and asks beside its plan: hints, a ride told, a ride against a plug. */
import { fireEvent, render, screen, waitFor, within } from "@testing-library/react";
import { createRoutesStub } from "react-router";
import type { ReactNode } from "react";
import type { LookEntry } from "#core/log/schema.ts";
import type { RigContext } from "#app/frame/use-rig.ts";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { lookWith, plug } from "../../../core/__tests__/entries.ts";
import { FeltOrRead } from "./FeltOrRead.tsx";
import { Hints } from "./Hints.tsx";
import { RideReport } from "./RideReport.tsx";

const RIG = "rig:demo-enduro";
const context = { header: { id: RIG } } as RigContext;

/** @param answer - of whatever is sent, and what was sent */
function show(screenOf: () => ReactNode, answer: (form: Record<string, unknown>) => object = () => ({})) {
  const sent: Record<string, unknown>[] = [];
  const action = async ({ request }: { request: Request }) => {
    const isJson = request.headers.get("Content-Type")?.includes("json") === true;
    const form = (isJson ? await request.json() : Object.fromEntries(await request.formData())) as Record<
      string,
      unknown
    >;
    sent.push(form);
    return answer(form);
  };
  const Stub = createRoutesStub([
    { path: "/", Component: () => <>{screenOf()}</> },
    { path: "/data", action },
    { path: "/rigs/:rigId", action },
  ]);
  render(<Stub />);
  return sent;
}

describe("the three hints", () => {
  const hints = (preferences = Preferences.parse({})) => <Hints preferences={preferences} />;

  it("are read one by one, and are gone once read", async () => {
    const sent = show(() => hints());
    for (const about of ["The strip", "The plan"]) {
      expect(screen.getByText(new RegExp(`${about}\\.$`))).toBeInTheDocument();
      fireEvent.click(screen.getByRole("button", { name: "Next" }));
    }
    expect(screen.getByText("3 of 3 · The card.")).toBeInTheDocument();
    fireEvent.click(screen.getByRole("button", { name: "Got it" }));
    await waitFor(() =>
      expect(sent).toEqual([expect.objectContaining({ intent: "preferences", hints: "read" })]),
    );
  });

  it("can be passed over, and are not there for whoever has read them", async () => {
    const sent = show(() => hints());
    fireEvent.click(screen.getByRole("button", { name: "I know all that" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    show(() => hints(Preferences.parse({ hints: "read", pressure: "inHg" })));
    expect(screen.getAllByRole("complementary", { name: "Hints" })).toHaveLength(1);
  });
});

describe("a ride told", () => {
  const top = () => within(screen.getAllByRole("group", { name: /^Full throttle/ }).at(-1) ?? document.body);
  const pressed = (name: string) => top().getByRole("button", { name }).getAttribute("aria-pressed");

  it("shows no tap as kept that was not, and takes it again", async () => {
    let full = true;
    const sent = show(
      () => <RideReport context={context} onDone={() => undefined} />,
      () => (full ? { message: "This device is full." } : { logged: ["look:1"] }),
    );
    fireEvent.click(top().getByRole("button", { name: "Rich" }));
    expect(await screen.findByText("This device is full.")).toBeInTheDocument();
    await waitFor(() => expect(pressed("Rich")).toBe("false"));
    expect(screen.getByRole("button", { name: "Undo all of it" })).toBeDisabled();
    full = false;
    fireEvent.click(top().getByRole("button", { name: "Rich" }));
    await waitFor(() => expect(pressed("Rich")).toBe("true"));
    expect(sent.map(({ felt }) => felt)).toEqual([{ top: "rich" }, { top: "rich" }]);
    await waitFor(() => expect(screen.getByRole("button", { name: "Undo all of it" })).toBeEnabled());
  });
});

describe("a ride against a plug", () => {
  const between = {
    zone: "top" as const,
    felt: "rich" as const,
    tone: "bone" as const,
    ride: lookWith("0001", "09:00", { type: "rideReport", felt: { top: "rich" } }) as LookEntry,
    plug: plug("0002", "09:10", "top", "bone") as LookEntry,
  };
  it("is asked about, and either may be said to be right", async () => {
    const sent = show(() => <FeltOrRead rigId={RIG} between={between} />);
    expect(
      screen.getByText(/At full throttle it felt rich, but the plug of 09:10 is bone: lean/),
    ).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "Look again" })).toHaveAttribute(
      "href",
      `/rigs/${RIG}/look?zone=top`,
    );
    fireEvent.click(screen.getByRole("button", { name: "It was rich" }));
    await waitFor(() =>
      expect(sent).toEqual([
        { intent: "settle", zone: "top", right: "ride", ride: "look:0001", plug: "look:0002" },
      ]),
    );
  });
});
