import { act, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { createMemoryRouter, RouterProvider } from "react-router";
import { useFocusHeading } from "./use-focus-heading.ts";

/** A screen whose heading is another one after an answer. */
function Screen() {
  const [words, setWords] = useState("First");
  useFocusHeading();
  return (
    <main>
      <h1 key={words}>{words}</h1>
      <button type="button" onClick={() => setWords("Second")}>
        Answer
      </button>
    </main>
  );
}
/** A screen whose heading waits for its numbers. */
function SlowScreen() {
  const [words, setWords] = useState("");
  useFocusHeading();
  return (
    <main>
      {words && <h1>{words}</h1>}
      <button type="button" onClick={() => setWords("There at last")}>
        Answer
      </button>
    </main>
  );
}

async function opened() {
  const router = createMemoryRouter([{ path: "*", element: <Screen /> }], { initialEntries: ["/a"] });
  render(<RouterProvider router={router} />);
  await act(() => router.navigate("/b"));
  await waitFor(() => expect(screen.getByRole("heading")).toHaveFocus());
  return screen.getByRole("button");
}

describe("the heading after a change of screens", () => {
  it("has the focus, and so has the one that takes its place", async () => {
    fireEvent.click(await opened());
    await waitFor(() => expect(screen.getByRole("heading", { name: "Second" })).toHaveFocus());
  });
  it("has the focus however late it comes", async () => {
    jest.useFakeTimers();
    const router = createMemoryRouter([{ path: "*", element: <SlowScreen /> }], { initialEntries: ["/a"] });
    render(<RouterProvider router={router} />);
    await act(() => router.navigate("/b"));
    act(() => jest.advanceTimersByTime(20_000));
    jest.useRealTimers();
    fireEvent.click(screen.getByRole("button"));
    await waitFor(() => expect(screen.getByRole("heading", { name: "There at last" })).toHaveFocus());
  });
  it("leaves the focus where somebody has put it meanwhile", async () => {
    const button = await opened();
    act(() => button.focus());
    fireEvent.click(button);
    await act(() => new Promise((done) => setTimeout(done, 60)));
    expect(screen.getByRole("heading", { name: "Second" })).toBeInTheDocument();
    expect(button).toHaveFocus();
  });
});
