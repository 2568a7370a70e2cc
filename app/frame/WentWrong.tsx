/** What stops the riding, in one tap: Today then says what to look at. */
import { useCallback } from "react";
import Button from "@mui/material/Button";
import { useNavigate } from "react-router";
import { RIDE_STOPPERS, type RideStopper } from "#core/advice/card/ride-stopped.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { placeHref } from "./places.ts";
import { useLoggedTap } from "./use-logged-tap.ts";

const WORDS: Readonly<Record<RideStopper, string>> = {
  pings: "It pinged",
  cutsOutHeldOpen: "It cut out",
  seized: "It seized",
};

export function WentWrong({ rigId }: { rigId: string }) {
  const navigate = useNavigate();
  const toToday = useCallback(() => void navigate(placeHref(rigId, "")), [navigate, rigId]);
  const { send, busy, answer } = useLoggedTap(rigId, "A tap by mistake", toToday);
  const stop = (symptom: RideStopper) =>
    send({ intent: "stopped", symptom }, `Logged: ${WORDS[symptom].toLowerCase()}. Do not ride on.`);
  return (
    <fieldset className="choices">
      <legend className="label">Stop riding if</legend>
      <div className="row">
        {[...RIDE_STOPPERS].reverse().map((symptom) => (
          <Button key={symptom} variant="outlined" disabled={busy} onClick={() => stop(symptom)}>
            {WORDS[symptom]}
          </Button>
        ))}
      </div>
      <Problem message={answer?.message} />
    </fieldset>
  );
}
