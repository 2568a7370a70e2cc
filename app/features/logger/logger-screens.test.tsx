/** The logger's screens: columns said once, charts that hold what was read, a file dropped or chosen. */
import { fireEvent, render, screen, within } from "@testing-library/react";
import { useState } from "react";
import type { Mapping } from "#core/logger/mapping.ts";
import { throttleOption, pullOption } from "./charts.ts";
import { ChooseFile } from "./ChooseFile.tsx";
import { MapColumns } from "./MapColumns.tsx";
import type { LookedAt } from "#app/workers/logger.ts";

const MAPPING: Mapping = {
  delimiter: ",",
  decimal: ".",
  headerLines: 1,
  columns: [{ role: "lambda", column: 2, unit: "λ" }],
  stoichiometric: 14.6,
};
const LOOKED: LookedAt = {
  names: ["t", "grip", "meter"],
  sample: [
    ["0", "10", "0.90"],
    ["1", "20", "0.91"],
  ],
  simulated: false,
  mapping: MAPPING,
  encoding: "utf-8",
  headKey: "t|grip|meter",
};

function Bench({ onRead }: { onRead: (mapping: Mapping) => void }) {
  const [mapping, setMapping] = useState(MAPPING);
  return (
    <MapColumns
      looked={LOOKED}
      mapping={mapping}
      known={false}
      onMapping={setMapping}
      onRead={() => onRead(mapping)}
    />
  );
}

const choose = (label: string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe("the columns of a file", () => {
  it("are not read before time and throttle are said", () => {
    const read = jest.fn();
    render(<Bench onRead={read} />);
    const button = screen.getByRole("button", { name: "Read the file" });
    expect(button).toBeDisabled();
    expect(screen.getByText(/Say which column is the time/)).toBeInTheDocument();
    choose("t is", "time");
    choose("Unit of t", "ms");
    expect(screen.getByText(/Say which column is the throttle/)).toBeInTheDocument();
    choose("grip is", "throttle");
    fireEvent.click(button);
    expect(read).toHaveBeenCalledWith({
      ...MAPPING,
      columns: [
        { role: "lambda", column: 2, unit: "λ" },
        { role: "time", column: 0, unit: "ms" },
        { role: "throttle", column: 1, unit: "%" },
      ],
    });
  });
  it("free a quantity elsewhere when it is chosen in another column", () => {
    render(<Bench onRead={jest.fn()} />);
    choose("grip is", "lambda");
    expect(screen.getByLabelText("meter is")).toHaveValue("");
    choose("grip is", "");
    expect(screen.getByLabelText("grip is")).toHaveValue("");
  });
  it("ask for the rate where no column is the time, and for the fuel where the meter shows AFR", () => {
    const read = jest.fn();
    render(<Bench onRead={read} />);
    const rate = screen.getByLabelText("Rows a second");
    fireEvent.change(rate, { target: { value: "often" } });
    expect(screen.getByText("A number such as 20 or 100.")).toBeInTheDocument();
    fireEvent.change(rate, { target: { value: "50" } });
    choose("grip is", "throttle");
    expect(screen.queryByLabelText(/AFR is that of/)).toBeNull();
    choose("Unit of meter", "AFR");
    expect(screen.getByLabelText(/AFR is that of/)).toBeInTheDocument();
    fireEvent.click(screen.getByRole("button", { name: "Read the file" }));
    expect(read).toHaveBeenCalledWith(expect.objectContaining({ rateHz: 50 }));
  });
  it("show their first figures", () => {
    render(<Bench onRead={jest.fn()} />);
    const line = screen.getByText("meter").closest("li");
    expect(line && within(line).getByText("0.90 · 0.91")).toBeInTheDocument();
  });
});

describe("choosing a file", () => {
  const bench = () => {
    const onFile = jest.fn();
    const { container } = render(
      <ChooseFile
        busy={false}
        opened={undefined}
        onFile={onFile}
        onSimulate={jest.fn()}
        onProblem={jest.fn()}
      />,
    );
    return { onFile, place: container.querySelector(".drop-place") as HTMLElement };
  };
  it("takes one that is chosen, or dropped on it", () => {
    const { onFile, place } = bench();
    const file = new File(["t"], "ride.csv");
    fireEvent.change(screen.getByLabelText("Logger’s file"), { target: { files: [file] } });
    fireEvent.drop(place, { dataTransfer: { files: [file] } });
    fireEvent.drop(place, { dataTransfer: { files: [] } });
    expect(onFile.mock.calls).toEqual([
      [file, "ride.csv"],
      [file, "ride.csv"],
    ]);
  });
  it("says in words when a sample is not to be had", async () => {
    const onProblem = jest.fn();
    render(
      <ChooseFile
        busy={false}
        opened={undefined}
        onFile={jest.fn()}
        onSimulate={jest.fn()}
        onProblem={onProblem}
      />,
    );
    const fetched = jest.spyOn(globalThis, "fetch").mockRejectedValue(new TypeError("no network"));
    fireEvent.click(screen.getByRole("button", { name: "λ, commas" }));
    await new Promise((done) => setTimeout(done));
    expect(onProblem).toHaveBeenCalledWith(expect.stringContaining("The sample is not here"));
    fetched.mockRestore();
  });
});

interface Drawn {
  readonly series: readonly { name: string; data: readonly (readonly [number, number | null])[] }[];
}

describe("the charts", () => {
  const target = { idle: 0.88, low: 0.9, mid: 0.9, top: 0.86 };
  const bin = { from: 0.5, to: 0.75, count: 10, seconds: 4, mean: 0.91, spread: 0.02 };
  it("draw λ in the middle of its opening, between edges 5 % either side of each zone's target", () => {
    const { series } = throttleOption([bin], target, 1) as unknown as Drawn;
    const data = (name: string) => series.find((one) => one.name === name)?.data;
    expect(data("λ")).toEqual([[62.5, 0.91]]);
    expect(data("Right, lean edge")?.at(-1)?.[1]).toBeCloseTo(0.86 * Math.exp(0.05), 2);
    expect(data("Lean limit")?.at(-1)?.[1]).toBeCloseTo(0.86 * 1.06, 9);
  });
  it("draw AFR on its own scale, and a pull's speed in the tuner's unit, gaps left open", () => {
    const pull = { timeS: [0, 1], lambda: [0.9, null], rpm: [null, null], speedMs: [10, 20] };
    const { series } = pullOption(pull, 14.6, 3.6) as unknown as Drawn;
    expect(series.map(({ name }) => name)).toEqual(["AFR", "Speed"]);
    expect(series[0]?.data).toEqual([
      [0, 0.9 * 14.6],
      [1, null],
    ]);
    expect(series[1]?.data[1]?.[1]).toBeCloseTo(72, 9);
    const turns = pullOption(
      { ...pull, speedMs: [null, null], rpm: [5000, 6000] },
      1,
      3.6,
    ) as unknown as Drawn;
    expect(turns.series[1]?.name).toBe("rpm");
  });
});
