import { CROWNS, HEADER_COLOURS } from "#core/log/parts.ts";
import { useKind } from "./use-kind.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { CROWN_WORDS, HEADER_WORDS } from "#app/vocabulary/readings.ts";

/** Fields for piston crown and header. */
export function WitnessFields() {
  const { typed, type, wrong } = useKind("witness");
  const problem = wrong("crown");
  return (
    <>
      <Choice
        label="Piston crown, by a light through the plug hole"
        value={typed.crown}
        options={[
          ...CROWNS.map((value) => ({ value, text: CROWN_WORDS[value].name, note: CROWN_WORDS[value].note })),
          { value: "unseen" as const, text: "Not looked" },
        ]}
        onChange={(crown) => type({ crown })}
      />
      <p className="quiet flush">
        Clean patches washed at the ports or edges are rich enough; dry all over is lean. Right is an island
        of carbon in the middle with clean edges.
      </p>
      <Choice
        label="Inside of the header or its spigot"
        value={typed.colour}
        options={[
          ...HEADER_COLOURS.map((value) => ({
            value,
            text: HEADER_WORDS[value].name,
            note: HEADER_WORDS[value].note,
          })),
          { value: "unseen" as const, text: "Not looked" },
        ]}
        onChange={(colour) => type({ colour })}
      />
      <p className="quiet flush">Each counts half as much as a cleanly cut plug (± 6 %).</p>
      {problem !== undefined && <Caution>{problem}</Caution>}
    </>
  );
}
