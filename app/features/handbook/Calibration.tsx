import { useLoaderData } from "react-router";
import type { BenchNumbers } from "./bench-numbers.server.ts";
import { WideTable } from "./WideTable.tsx";

/** What was called likely, and how much of it was so. */
export function Calibration() {
  const { calibration } = useLoaderData<BenchNumbers>();
  return (
    <WideTable>
      <caption className="label">All zones at the end of 150 engines, seed 7</caption>
      <thead>
        <tr>
          <th scope="col">The card said: right with</th>
          <th scope="col">Zones</th>
          <th scope="col">Were right</th>
        </tr>
      </thead>
      <tbody>
        {calibration.map(({ said, times, right }) => (
          <tr key={said}>
            <th scope="row">{said}</th>
            <td>{times}</td>
            <td>{right}</td>
          </tr>
        ))}
      </tbody>
    </WideTable>
  );
}
