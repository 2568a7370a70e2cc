import { render, screen } from "@testing-library/react";
import { PickField } from "./PickField.tsx";

const options = (count: number) => Array.from({ length: count }, (_, i) => [String(i), `Day ${i}`] as const);

it("a short list is Tamis's own, a long one the device's", () => {
  const { rerender } = render(<PickField label="Day" value="3" options={options(10)} />);
  expect(screen.getByRole("combobox", { name: "Day" })).toHaveTextContent("Day 3");
  expect(screen.queryAllByRole("option")).toHaveLength(0);
  rerender(<PickField label="Day" value="3" options={options(500)} />);
  const select = screen.getByLabelText("Day");
  expect(select).toHaveValue("3");
  expect(select.tagName).toBe("SELECT");
  expect(select.children).toHaveLength(500);
});
