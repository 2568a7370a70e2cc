import type { Linkage } from "#core/balance/linkage.ts";
import type { LinkedControls } from "#core/simulator/linked-carburettors.ts";
import { TurnsStepper } from "#app/ui/TurnsStepper.tsx";

interface SimulatedScrewsProps {
  readonly linkage: Linkage;
  readonly count: number;
  readonly controls: LinkedControls;
  readonly onControls: (controls: LinkedControls) => void;
}

type Screws = "shaftScrews" | "stopScrews" | "cables";

/** The screws of an engine that is not there; more is more open. */
export function SimulatedScrews({ linkage, count, controls, onControls }: SimulatedScrewsProps) {
  const stepper = (kind: Screws, index: number, label: string) => (
    <TurnsStepper
      key={label}
      label={label}
      value={controls[kind][index] ?? 0}
      from={-10}
      to={10}
      onChange={(value) =>
        onControls({ ...controls, [kind]: controls[kind].map((old, i) => (i === index ? value : old)) })
      }
    />
  );
  const others = Array.from({ length: count - 1 }, (_, i) => i + 1);
  return (
    <div className="row" role="group" aria-label="Screws of the simulated engine">
      {linkage === "shaft"
        ? others.map((i) =>
            stepper("shaftScrews", i - 1, `Open ${i + 1}${i + 1 < count ? " and beyond" : ""}`),
          )
        : others.flatMap((i) => [
            stepper("stopScrews", i, `Stop of ${i + 1}`),
            stepper("cables", i, `Cable of ${i + 1}`),
          ])}
    </div>
  );
}
