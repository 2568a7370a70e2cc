import { useState } from "react";
import { Link } from "react-router";
import { placeHref } from "#app/frame/places.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { Working } from "#app/ui/Working.tsx";
import { PART_KIND_NAMES, partMeasure } from "#app/vocabulary/bench-parts.ts";
import { PartPanel } from "./PartPanel.tsx";

/** Another needle, needle jet, slide or air jet is in: which one, and what is called what comes out. */
export default function SwapRoute() {
  const { header } = useRig();
  const [chosen, setChosen] = useState<string>();
  const { value, problem } = useJudge({ ask: "parts" });
  const part = value?.parts.find((one) => one.part.name === chosen);
  const spare = value?.parts.filter(({ state }) => state !== "fitted") ?? [];
  return (
    <div className="stack">
      <div>
        <h1>Which part was swapped?</h1>
        <p className="lead quiet">
          Another needle, needle jet, slide or air jet. A part that is not in the list yet is measured first,
          under <Link to={placeHref(header.id, "parts")}>Rig, Parts</Link>.
        </p>
      </div>
      {problem !== undefined && <Caution grave>{problem}</Caution>}
      {!value && problem === undefined && <Working words="Trying each of them on paper…" />}
      {value && spare.length === 0 && <p className="quiet flush">No spare part lies in the box.</p>}
      {spare.length > 0 && (
        <Choice
          label="Now in the carburettor"
          value={chosen}
          options={spare.map(({ part: { name, ...rest } }) => ({
            value: name,
            text: name,
            note: `${PART_KIND_NAMES[rest.kind]}, ${partMeasure({ name, ...rest })}`,
          }))}
          onChange={setChosen}
        />
      )}
      {part && <PartPanel key={part.part.name} tried={part} />}
    </div>
  );
}
