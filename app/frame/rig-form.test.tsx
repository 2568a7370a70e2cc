/** A form of a rig: what is typed is kept and offered again, what is refused stands at its field, what is saved is gone. */
import { act, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { createRoutesStub, Outlet } from "react-router";
import * as z from "zod/mini";
import { database, metaKey } from "#app/store/database.ts";
import { dropDraft, keepTyped, readTyped } from "#app/store/drafts.ts";
import { FormField } from "#app/ui/form-fields.tsx";
import { typedNumber } from "#app/ui/typed.ts";
import { RigFields } from "./RigFields.tsx";
import { useRigForm } from "./use-rig-form.ts";
import { fits } from "./use-typed.ts";

const RIG = "rig:own-0001";
const DAY_MS = 86_400_000;
const Jet = z.object({ main: typedNumber(z.number().check(z.lte(999))), why: z.string() });

function JetForm() {
  const form = useRigForm("jet", Jet, { main: "", why: "" }, { saved: (sent) => ({ ...sent, why: "" }) });
  return (
    <RigFields form={form} saves="Save">
      <FormField name="main" label="Main" />
      <FormField name="why" label="Why" />
    </RigFields>
  );
}

/** @param answer - of the action, given what was sent */
function open(answer: (sent: unknown) => object = () => ({ logged: ["fit:0001"] })) {
  const Stub = createRoutesStub([
    {
      path: "/",
      Component: () => <Outlet context={{ header: { id: RIG }, present: { lines: [] } }} />,
      children: [
        { index: true, Component: JetForm, action: async ({ request }) => answer(await request.json()) },
      ],
    },
  ]);
  return render(<Stub />);
}
const type = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
const kept = () => readTyped(RIG, "jet", Date.now());
const offer = () => screen.queryByText(/^You typed this at/);

beforeEach(() => database.clear());

describe("a form of a rig", () => {
  it("keeps what is typed, offers it when it is opened again, and brings it back", async () => {
    const first = open();
    type("Main", "155");
    type("Why", "windy");
    await waitFor(async () => expect((await kept())?.texts).toEqual({ main: "155", why: "windy" }));
    first.unmount();
    open();
    fireEvent.click(await screen.findByRole("button", { name: "Bring it back" }));
    expect(screen.getByLabelText("Main")).toHaveValue("155");
    expect(screen.getByLabelText("Why")).toHaveValue("windy");
    expect(offer()).toBeNull();
  });

  it("keeps the last key of a form that is left at once", async () => {
    const { unmount } = open();
    type("Main", "15");
    type("Main", "152");
    unmount();
    await waitFor(async () => expect((await kept())?.texts).toMatchObject({ main: "152" }));
  });

  it("forgets what is not wanted, offers nothing after a day, nothing that the form does not hold", async () => {
    await keepTyped(RIG, "jet", { at: Date.now(), texts: { main: "1", why: "" } });
    const first = open();
    fireEvent.click(await screen.findByRole("button", { name: "Forget it" }));
    await waitFor(async () => expect(await kept()).toBeUndefined());
    first.unmount();
    await keepTyped(RIG, "jet", { at: Date.now() - DAY_MS - 1, texts: { main: "1", why: "" } });
    const second = open();
    await waitFor(async () => expect(await database.getItem(metaKey(`draft/jet/${RIG}`))).toBeNull());
    expect(offer()).toBeNull();
    second.unmount();
    await keepTyped(RIG, "jet", { at: Date.now(), texts: { main: 155, why: "" } });
    open();
    await act(async () => Promise.resolve(await kept()));
    expect(offer()).toBeNull();
  });

  it("offers nothing any more once something else is typed", async () => {
    await keepTyped(RIG, "jet", { at: Date.now(), texts: { main: "1", why: "" } });
    open();
    await waitFor(() => expect(offer()).not.toBeNull());
    type("Main", "160");
    await waitFor(() => expect(offer()).toBeNull());
  });

  it("sends its texts; what is refused here is said at its field and beside the button, and not sent", async () => {
    const sent = jest.fn(() => ({ logged: ["fit:0001"] }));
    open(sent);
    type("Main", "5000");
    fireEvent.click(screen.getByRole("button", { name: "Save" }));
    expect(await screen.findByText("Not saved: Must be at most 999.")).toBeInTheDocument();
    expect(screen.getByLabelText("Main")).toHaveAccessibleDescription("Must be at most 999.");
    expect(sent).not.toHaveBeenCalled();
    type("Main", "155");
    type("Why", "windy");
    fireEvent.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(sent).toHaveBeenCalledWith({ main: "155", why: "windy" }));
    // What stands in the fields once it is saved.
    await waitFor(() => expect(screen.getByLabelText("Why")).toHaveValue(""));
    expect(screen.getByLabelText("Main")).toHaveValue("155");
  });

  it("shows what the book refuses at the field it is about, and keeps what was typed", async () => {
    const fields = { main: "This machine cannot have that.", "box.main": "deeper" };
    open(() => ({ message: "Nothing was saved.", fields }));
    type("Main", "155");
    fireEvent.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() =>
      expect(screen.getByLabelText("Main")).toHaveAccessibleDescription("This machine cannot have that."),
    );
    expect(screen.getByLabelText("Main")).toHaveValue("155");
    await dropDraft(RIG, "jet");
  });
});

describe("what was kept of a form", () => {
  it("fits only a form that holds the same", () => {
    const start = { name: "", rows: [{ at: "" }], of: { top: "" }, made: undefined };
    expect(fits(start, { name: "x", rows: [], of: { top: "y" } })).toBe(true);
    expect(fits(start, { name: "x", rows: [{ at: "1" }, { at: "2" }], of: { top: "" }, made: 1 })).toBe(true);
    for (const other of [
      {},
      { name: 1, rows: [], of: { top: "" } },
      { name: "", rows: [{}], of: { top: "" } },
      { name: "", rows: "", of: { top: "" } },
      { name: "", rows: [], of: {} },
    ])
      expect(fits(start, other)).toBe(false);
  });
});
