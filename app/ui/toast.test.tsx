/** What is said in passing is said in turn: nothing is overwritten before it was read. */
import { fireEvent, render, screen } from "@testing-library/react";
import type { Said } from "./Passing.tsx";
import { ToastPlace, useToast } from "./Toast.tsx";

function Sayer({ said }: { said: readonly Said[] }) {
  const say = useToast();
  return <button onClick={() => said.forEach(say)}>Say it</button>;
}

function says(said: readonly Said[]): void {
  render(
    <ToastPlace>
      <Sayer said={said} />
    </ToastPlace>,
  );
  fireEvent.click(screen.getByText("Say it"));
}

it("an undo is not lost to what is said right after it", async () => {
  const undo = jest.fn();
  says([
    { words: "Logged: main 155.", action: { words: "Undo", run: undo } },
    { words: "A new Tamis is ready.", stays: true },
  ]);
  expect(await screen.findByText("Logged: main 155.")).toBeInTheDocument();
  expect(screen.queryByText("A new Tamis is ready.")).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Undo" }));
  expect(undo).toHaveBeenCalledTimes(1);
  expect(await screen.findByText("A new Tamis is ready.")).toBeInTheDocument();
  fireEvent.click(screen.getByRole("button", { name: "Close" }));
  expect(screen.queryByText("A new Tamis is ready.")).toBeNull();
});

it("what stays until it is answered gives way to what is newer, and lets what passes go first", async () => {
  says([
    { words: "A new Tamis is ready.", stays: true },
    { words: "Tamis was renewed in another tab.", stays: true },
    { words: "Logged: full throttle rich." },
  ]);
  expect(await screen.findByText("Logged: full throttle rich.")).toBeInTheDocument();
  fireEvent.click(screen.getByRole("button", { name: "Close" }));
  expect(await screen.findByText("Tamis was renewed in another tab.")).toBeInTheDocument();
  expect(screen.queryByText("A new Tamis is ready.")).toBeNull();
});
