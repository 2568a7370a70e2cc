/** All that can be moved. */
import { memo } from "react";
import { PickField } from "#app/ui/PickField.tsx";
import type { TrialAsked } from "#core/log/trial-asked.ts";
import { FUEL_NAMES } from "#app/vocabulary/fuels.ts";
import { MoverRow } from "./MoverRow.tsx";
import { moversOf, type Mover, type Moving } from "./movers.ts";

type OnMove = (change: (asked: TrialAsked) => TrialAsked) => void;

function Group({ title, movers, onMove }: { title: string; movers: readonly Mover[]; onMove: OnMove }) {
  return (
    <section aria-label={title}>
      <h2>{title}</h2>
      {movers.map((mover) => (
        <MoverRow key={mover.key} mover={mover} onMove={onMove} />
      ))}
    </section>
  );
}

function Fuel({ moving: { asked, build }, onMove }: { moving: Moving; onMove: OnMove }) {
  const other = build.fuel.name === "other" ? [["other", "As it is run"] as const] : [];
  return (
    <PickField
      label="Fuel"
      value={(asked.fuel ?? build.fuel).name}
      onChange={({ target }) => {
        const named = FUEL_NAMES.find(([name]) => name === target.value)?.[0];
        const fuel = named === undefined || named === build.fuel.name ? build.fuel : { name: named };
        onMove((before) => ({ ...before, fuel }));
      }}
      options={[...FUEL_NAMES, ...other]}
    />
  );
}

export const Controls = memo(function Controls({ moving, onMove }: { moving: Moving; onMove: OnMove }) {
  const { adjusters, air, tank, parts } = moversOf(moving);
  return (
    <>
      <Group title="Adjusters" movers={adjusters} onMove={onMove} />
      <Group title="Air and fuel" movers={air} onMove={onMove} />
      <Fuel moving={moving} onMove={onMove} />
      {tank.map((mover) => (
        <MoverRow key={mover.key} mover={mover} onMove={onMove} />
      ))}
      <Group title="Parts" movers={parts} onMove={onMove} />
    </>
  );
});
