import { useLoaderData } from "react-router";
import type { BenchNumbers } from "./bench-numbers.server.ts";
import { WideTable } from "./WideTable.tsx";

const WHO: Readonly<Record<string, string>> = {
  advice: "Tamis, to the letter",
  "robot, from the bottom up": "A robot, bottom up",
  "robot, from the top down": "A robot, top first",
};

/** Three ways to jet the same engines, as the bench counted them. */
export function SchoolScores() {
  const { schools } = useLoaderData<BenchNumbers>();
  return (
    <WideTable>
      <caption className="label">150 engines, plugs and idle bench, seed 7</caption>
      <thead>
        <tr>
          <th scope="col">Who decides</th>
          <th scope="col">Looks (median)</th>
          <th scope="col">End right</th>
          <th scope="col">Lean rides an engine</th>
        </tr>
      </thead>
      <tbody>
        {schools.map(({ who, stops, right, lean }) => (
          <tr key={who}>
            <th scope="row">{WHO[who] ?? who}</th>
            <td>{stops}</td>
            <td>{right}</td>
            <td>{lean}</td>
          </tr>
        ))}
      </tbody>
    </WideTable>
  );
}
