import { useSearchParams } from "react-router";
import { useState } from "react";
import { rigAction } from "#app/journal/rig-action.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { Working } from "#app/ui/Working.tsx";
import { AddPart } from "./AddPart.tsx";
import { Buying } from "./Buying.tsx";
import { Nearest } from "./Nearest.tsx";
import { PartList } from "./PartList.tsx";
import { PartPanel } from "./PartPanel.tsx";
import { ADDED, askedOf, Sent } from "./sent.ts";
import { useSendPart } from "./use-send-part.ts";

export const clientAction = rigAction({
  codec: Sent,
  form: ({ intent }) => (intent === "add" ? ADDED : intent),
  what: "This part",
  on: "box",
  entries: (sent, { rig: { build, present } }) => askedOf(build, present.settings, sent),
});

export default function PartsRoute() {
  const [query] = useSearchParams();
  const [chosen, setChosen] = useState(query.get("part") ?? undefined);
  const { send, answer, busy } = useSendPart();
  const { value, problem } = useJudge({ ask: "parts" });
  const part = value?.parts.find((one) => one.part.name === chosen);
  return (
    <div className="stack">
      <div>
        <h1>Parts on the bench</h1>
        <p className="lead quiet">
          Parts you swap: needles, needle jets, slides, air jets. Each has its measures and what it would do
          here. Only these change the mixture just off idle.
        </p>
      </div>
      {problem !== undefined && <Caution grave>{problem}</Caution>}
      {!value && problem === undefined && <Working words="Trying each of them on paper…" />}
      {value && (
        <PartList
          parts={value.parts}
          chosen={chosen}
          busy={busy}
          onChoose={(name) => setChosen(name === chosen ? undefined : name)}
          onRemove={(name) => send({ intent: "remove", name })}
        />
      )}
      <Problem message={answer?.message} />
      {part && <PartPanel key={part.part.name} tried={part} />}
      {value && <Nearest parts={value.parts} />}
      {value && <Buying buying={value.buying} />}
      <AddPart />
    </div>
  );
}
