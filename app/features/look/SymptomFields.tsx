import ToggleButton from "@mui/material/ToggleButton";
import { Link } from "react-router";
import { SYMPTOMS, type Symptom } from "#core/log/symptom-names.ts";
import type { Zone } from "#core/carburettor/zones.ts";
import { useKind } from "./use-kind.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { placeHref } from "#app/frame/places.ts";
import { HAND_GROUPS, LOOK_ALIKES, SYMPTOM_WORDS } from "#app/vocabulary/symptoms.ts";

interface SymptomFieldsProps {
  /** each is felt in a zone of its own; the tuner may say another */
  readonly onZone: (zone: Zone) => void;
}

/** What the engine did, by what the hand was doing, and the question that tells it from what feels the same. */
export function SymptomFields({ onZone }: SymptomFieldsProps) {
  const { header } = useRig();
  const { typed, type, wrong } = useKind("symptom");
  const { symptom, answer } = typed;
  const problem = wrong("symptom");
  const alike = symptom && LOOK_ALIKES[symptom];
  const choose = (name: Symptom) => {
    type({ symptom: name, answer: "unasked" });
    onZone(SYMPTOMS[name].zone);
  };
  const other = alike && answer === "other";
  const question = (
    <>
      {alike && (
        <Choice
          label={alike.question}
          value={answer === "unasked" ? undefined : answer}
          options={[
            { value: "jetting" as const, text: alike.jetting },
            { value: "other" as const, text: alike.other },
          ]}
          onChange={(next) => type({ answer: next })}
        />
      )}
      {other && (
        <Caution grave>
          {alike.asks ? "That may be no jetting." : "That is no jetting."} {alike.cause}{" "}
          {alike.place !== undefined && <Link to={placeHref(header.id, alike.place)}>Look there first</Link>}.{" "}
          {alike.asks
            ? "It is saved with this answer; Today shows how likely it is."
            : "It is saved as a note and moves no jet."}
        </Caution>
      )}
    </>
  );
  return (
    <>
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
