import { act, render, screen } from "@testing-library/react";
import { Component, type ReactNode } from "react";
import { useCardStands } from "./first-card.ts";
import { later } from "./later.tsx";

interface Words {
  readonly words: string;
}
const Button = ({ words }: Words) => <button type="button">{words}</button>;
const Bare = ({ words }: Words) => <em>{words}</em>;

function Card() {
  useCardStands(true);
  return null;
}

class Boundary extends Component<{ children: ReactNode }, { failed?: string }> {
  override state: { failed?: string } = {};
  static getDerivedStateFromError = (error: Error) => ({ failed: error.message });
  override render() {
    return this.state.failed === undefined ? this.props.children : <p role="alert">{this.state.failed}</p>;
  }
}

/** What the first test does holds for those after it: a card stands once for a visit. */
describe("what comes after the card", () => {
  it("is not asked for before a card stands; then it comes to all its places", async () => {
    const load = jest.fn(() => Promise.resolve({ default: Button }));
    const Part = later<Words>(load, { Meanwhile: Bare });
    const { rerender } = render(
      <>
        <Part words="Put back" />
        <Part words="Print" />
      </>,
    );
    await act(() => new Promise((done) => setTimeout(done, 50)));
    expect(load).not.toHaveBeenCalled();
    expect(screen.getByText("Put back").tagName).toBe("EM");
    rerender(
      <>
        <Part words="Put back" />
        <Part words="Print" />
        <Card />
      </>,
    );
    expect(await screen.findByRole("button", { name: "Put back" })).toBeVisible();
    expect(screen.getByRole("button", { name: "Print" })).toBeVisible();
    expect(load).toHaveBeenCalledTimes(1);
  });

  it("stands at once where it has been before", async () => {
    const Part = later<Words>(() => Promise.resolve({ default: Button }));
    const { unmount } = render(<Part words="Print" />);
    expect(screen.queryByRole("button")).toBeNull();
    await screen.findByRole("button");
    unmount();
    render(<Part words="Print again" />);
    expect(screen.getByRole("button", { name: "Print again" })).toBeVisible();
  });

  it("that cannot come leaves what stands there, and is asked for again by whoever comes next", async () => {
    let there = false;
    const load = jest.fn(() =>
      there ? Promise.resolve({ default: Button }) : Promise.reject(new Error("no signal")),
    );
    const Part = later<Words>(load, { Meanwhile: Bare });
    const { unmount } = render(<Part words="Print" />);
    await act(() => new Promise((done) => setTimeout(done, 50)));
    expect(load).toHaveBeenCalledTimes(1);
    expect(screen.getByText("Print").tagName).toBe("EM");
    unmount();
    there = true;
    render(<Part words="Print" />);
    expect(await screen.findByRole("button", { name: "Print" })).toBeVisible();
  });

  it("and is vital makes the screen say so, and the next visit to it asks again", async () => {
    jest.spyOn(console, "error").mockImplementation(() => undefined);
    let there = false;
    const Part = later<Words>(
      () => (there ? Promise.resolve({ default: Button }) : Promise.reject(new Error("no signal"))),
      { Meanwhile: Bare, vital: true },
    );
    const first = render(
      <Boundary>
        <Part words="Print" />
      </Boundary>,
    );
    expect(await screen.findByRole("alert")).toHaveTextContent("no signal");
    first.unmount();
    there = true;
    render(
      <Boundary>
        <Part words="Print" />
      </Boundary>,
    );
    expect(await screen.findByRole("button", { name: "Print" })).toBeVisible();
    jest.restoreAllMocks();
  });
});
