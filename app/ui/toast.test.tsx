/** What is said in passing is said in turn: nothing is overwritten before it was read. */
import { fireEvent, render, screen } from "@testing-library/react";
import { ToastPlace, useToast, type Said } from "./Toast.tsx";

function Sayer({ said }: { said: readonly Said[] }) {
  const say = useToast();
  return <button onClick={() => said.forEach(say)}>Say it</button>;
}

it("an undo is not lost to what is said right after it", async () => {
  const undo = jest.fn();
  const said: Said[] = [
    { words: "Logged: main 155.", action: { words: "Undo", run: undo } },
    { words: "A new Tamis is ready.", stays: true },
  ];
  render(
    <ToastPlace>
      <Sayer said={said} />
    </ToastPlace>,
  );
  fireEvent.click(screen.getByText("Say it"));
  expect(await screen.findByText("Logged: main 155.")).toBeInTheDocument();
  expect(screen.queryByText("A new Tamis is ready.")).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Undo" }));
  expect(undo).toHaveBeenCalledTimes(1);
  expect(await screen.findByText("A new Tamis is ready.")).toBeInTheDocument();
  fireEvent.click(screen.getByRole("button", { name: "Close" }));
  expect(screen.queryByText("A new Tamis is ready.")).toBeNull();
});
