import { useState } from "react";
import { CROWNS, HEADER_COLOURS, type Crown, type HeaderColour } from "#core/log/parts.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { CROWN_WORDS, HEADER_WORDS } from "#app/vocabulary/readings.ts";

type Unseen = "unseen";

/** Piston crown and header: looser witnesses than a plug, of the run that was just made. */
export function WitnessFields({ problem }: { problem: string | undefined }) {
  const [crown, setCrown] = useState<Crown | Unseen>("unseen");
  const [colour, setColour] = useState<HeaderColour | Unseen>("unseen");
  return (
    <>
      <input type="hidden" name="crown" value={crown} />
      <input type="hidden" name="colour" value={colour} />
      <Choice
        label="Piston crown, by a light through the plug hole"
        value={crown}
        options={[
          ...CROWNS.map((value) => ({ value, text: CROWN_WORDS[value].name, note: CROWN_WORDS[value].note })),
          { value: "unseen" as const, text: "Not looked" },
        ]}
        onChange={setCrown}
      />
      <p className="quiet flush">
        Clean patches washed at the ports or edges are rich enough; dry all over is lean. Wanted is an island
        of carbon in the middle with clean edges.
      </p>
      <Choice
        label="Inside of the header or its spigot"
        value={colour}
        options={[
          ...HEADER_COLOURS.map((value) => ({
            value,
            text: HEADER_WORDS[value].name,
            note: HEADER_WORDS[value].note,
          })),
          { value: "unseen" as const, text: "Not looked" },
        ]}
        onChange={setColour}
      />
      <p className="quiet flush">Each counts half as much as a cleanly cut plug (± 6 %).</p>
      {problem !== undefined && <Caution>{problem}</Caution>}
    </>
  );
}
