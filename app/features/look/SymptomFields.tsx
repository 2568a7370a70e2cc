import ToggleButton from "@mui/material/ToggleButton";
import { useState } from "react";
import { Link } from "react-router";
import { SYMPTOMS, type Symptom } from "#core/log/symptom-names.ts";
import type { Zone } from "#core/carburettor/zones.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { placeHref } from "#app/frame/places.ts";
import { HAND_GROUPS, LOOK_ALIKES, SYMPTOM_WORDS } from "#app/vocabulary/symptoms.ts";

interface SymptomFieldsProps {
  readonly problem: string | undefined;
  /** each is felt in a zone of its own; the tuner may say another */
  readonly onZone: (zone: Zone) => void;
}

type Answer = "unasked" | "jetting" | "other";

/** What the engine did, by what the hand was doing, and the question that tells it from what feels the same. */
export function SymptomFields({ problem, onZone }: SymptomFieldsProps) {
  const { header } = useRig();
  const [symptom, setSymptom] = useState<Symptom>();
  const [answer, setAnswer] = useState<Answer>("unasked");
  const alike = symptom && LOOK_ALIKES[symptom];
  const choose = (name: Symptom) => {
    setSymptom(name);
    setAnswer("unasked");
    onZone(SYMPTOMS[name].zone);
  };
  const other = alike && answer === "other";
  const asks = answer === "unasked" ? undefined : alike?.asks;
  const opposite = { yes: "no", no: "yes" } as const;
  const asked = asks && { question: asks.question, is: other ? asks.other : opposite[asks.other] };
  const question = (
    <>
      {alike && (
        <Choice
          label={alike.question}
          value={answer}
          options={[
            { value: "jetting", text: alike.jetting },
            { value: "other", text: alike.other },
          ]}
          onChange={(value: Answer) => setAnswer(value)}
        />
      )}
      {other && (
        <Caution grave>
          {alike.asks ? "That may be no jetting." : "That is no jetting."} {alike.cause}{" "}
          {alike.place !== undefined && <Link to={placeHref(header.id, alike.place)}>Look there first</Link>}.{" "}
          {alike.asks
            ? "It is saved with this answer; Today says how much speaks for it."
            : "It is saved as a note and moves no jet."}
        </Caution>
      )}
    </>
  );
  return (
    <>
      <input type="hidden" name="symptom" value={symptom ?? ""} />
      <input type="hidden" name="notJetting" value={other && !alike.asks ? alike.cause : ""} />
      <input type="hidden" name="question" value={asked?.question ?? ""} />
      <input type="hidden" name="is" value={asked?.is ?? ""} />
      {HAND_GROUPS.map(({ hand, symptoms }) => (
        <fieldset className="choices" key={hand}>
          <legend className="label">{hand}</legend>
          <div className="row">
            {symptoms.map((name) => (
              <ToggleButton key={name} value={name} selected={symptom === name} onChange={() => choose(name)}>
                <span>
                  {SYMPTOM_WORDS[name]}
                  <small className="under snug">{SYMPTOMS[name].kind}</small>
                </span>
              </ToggleButton>
            ))}
          </div>
          {symptom !== undefined && symptoms.some((name) => name === symptom) && question}
        </fieldset>
      ))}
      {problem !== undefined && symptom === undefined && <Caution>{problem}</Caution>}
    </>
  );
}
