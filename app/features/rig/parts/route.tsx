import { useFetcher, useSearchParams } from "react-router";
import { useState } from "react";
import type * as z from "zod/mini";
import { rigAction, type Answer } from "#app/journal/rig-action.ts";
import { newestOf } from "#app/journal/seen.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { Working } from "#app/ui/Working.tsx";
import { RigTabs } from "../RigTabs.tsx";
import { AddPart, ADDED } from "./AddPart.tsx";
import { Buying } from "./Buying.tsx";
import { Nearest } from "./Nearest.tsx";
import { PartList } from "./PartList.tsx";
import { PartPanel } from "./PartPanel.tsx";
import { askedOf, Sent } from "./sent.ts";

export const clientAction = rigAction({
  codec: Sent,
  form: ({ intent }) => (intent === "add" ? ADDED : intent),
  what: "This part",
  on: "box",
  entries: (sent, { rig: { build, present } }) => askedOf(build, present.settings, sent),
});

/** One thing at a time goes to the box or into the carburettor; what stands there now is what it is held against. */
export function useSendPart() {
  const { present } = useRig();
  const fetcher = useFetcher<Answer>();
  const send = (sent: z.input<typeof Sent>) =>
    void fetcher.submit(JSON.stringify({ ...sent, seen: newestOf(present, "box") }), {
      method: "post",
      encType: "application/json",
    });
  return { send, answer: fetcher.data, busy: fetcher.state !== "idle" };
}

export default function PartsRoute() {
  const [query] = useSearchParams();
  const [chosen, setChosen] = useState(query.get("part") ?? undefined);
  const { send, answer, busy } = useSendPart();
  const { value, problem } = useJudge({ ask: "parts" });
  const part = value?.parts.find((one) => one.part.name === chosen);
  return (
    <div className="stack">
      <RigTabs />
      <div>
        <h1>Parts on the bench</h1>
        <p className="lead quiet">
          What is swapped, not set: needles, needle jets, slides, air jets. Each by its measures, each with
          what it would do here. Just off idle no jet reaches; these do.
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
