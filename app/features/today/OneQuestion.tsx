/** The one question whose answer would tell most of what it is. */
import css from "./today.module.css";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { QuestionName } from "#core/log/question-names.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { QUESTION_WORDS } from "#app/vocabulary/questions.ts";
import type { RigContext } from "#app/frame/use-rig.ts";
import { useTap } from "#app/frame/use-tap.ts";

export function OneQuestion({ context }: { context: RigContext }) {
  const { send, busy: sending, answer } = useTap(context.header.id);
  const [left, setLeft] = useState<readonly QuestionName[]>([]);
  const question = context.advice?.question;
  if (question === undefined || left.includes(question)) return null;
  const { text, yes, no } = QUESTION_WORDS[question];
  const busy = sending || context.working;
  const say = (is: "yes" | "no") => send({ intent: "answer", question, is });
  return (
    <section className={css["better"]} aria-label="One question">
      <span className="label">One question: is it jetting, or something that feels the same?</span>
      <strong>{text}</strong>
      <div className="row">
        <Button variant="outlined" disabled={busy} onClick={() => say("yes")}>
          {yes}
        </Button>
        <Button variant="outlined" disabled={busy} onClick={() => say("no")}>
          {no}
        </Button>
        <Button onClick={() => setLeft([...left, question])}>Not now</Button>
      </div>
      <Problem message={answer?.message} />
    </section>
  );
}
