import Button from "@mui/material/Button";
import { useState } from "react";
import { Link, useActionData, useNavigation, useSubmit } from "react-router";
import { humidAirFromLog, rigFromBuild } from "#core/rig/from-build.ts";
import { CHECK_STATES, CHECKS, CheckName, type FindingName } from "#core/log/walk-round-names.ts";
import { CHECK_PLAN } from "#core/walkround/checks.ts";
import { propose, type Proposal } from "#core/walkround/proposal.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { readLimits, sheetFor, type LimitsTexts } from "#app/journal/limits.ts";
import { CheckSent, limitTexts, limitWords, readMeasured, type Texts } from "./form.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { placeHref } from "#app/frame/places.ts";
import { type ActionProblem } from "#app/journal/save.ts";
import { CHECK_WORDS, STATE_WORDS } from "#app/vocabulary/walk-round.ts";
import { CHECK_GUIDE } from "../guide.ts";
import { CheckPanel } from "./CheckPanels.tsx";
import { MeasureField } from "./MeasureField.tsx";
import { Findings } from "./Findings.tsx";

export function attempt(work: () => Proposal): Proposal | string {
  try {
    return work();
  } catch (error) {
    if (error instanceof RangeError) return error.message;
    throw error;
  }
}

export function CheckScreen({ check }: { check: CheckName }) {
  const { build, fitted, present, header } = useRig();
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem>();
  const [texts, setTexts] = useState<Texts>({});
  const [limits, setLimits] = useState<LimitsTexts>(() => limitTexts(check, present.sheet));
  const [found, setFound] = useState<FindingName[]>([]);
  const [note, setNote] = useState("");
  const [own, setOwn] = useState<CheckSent["state"]>();
  const guide = CHECK_GUIDE[check];
  const { measured, problems } = readMeasured(texts);
  const typedLimits = readLimits(limits);
  const base = sheetFor(build, present.sheet);
  const sheet = typedLimits.ok ? { ...base, limits: { ...base.limits, ...typedLimits.limits } } : base;
  const proposal = attempt(() => propose(check, { measured, findings: found }, build, fitted, sheet));
  const proposed = typeof proposal === "string" ? "notes" : proposal.state;
  const state = own ?? proposed;
  const air = present.air ? humidAirFromLog(present.air) : rigFromBuild(build).baseline.air;
  const save = () => {
    const sent: CheckSent = { state, texts, limits, findings: found, note };
    void submit(JSON.stringify(sent), { method: "post", encType: "application/json" });
  };
  const number = CHECKS.indexOf(check) + 1;
  return (
    <div className="stack">
      <div>
        <Link className="way-up" to={placeHref(header.id, "walk-round")}>
          Walk-round
        </Link>{" "}
        <span className="quiet">
          {number} of {CHECKS.length}
        </span>
        <h1>{CHECK_WORDS[check].title}</h1>
        <p className="lead quiet">{guide.why}</p>
      </div>
      {guide.caution !== undefined && <Caution>{guide.caution}</Caution>}
      <ol className="steps">
        {guide.steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <p className="quiet flush">{guide.tools}.</p>
      {CHECK_PLAN[check].measures.length > 0 && (
        <div className="two">
          {CHECK_PLAN[check].measures.map((measure) => (
            <MeasureField
              key={measure}
              measure={measure}
              text={texts[measure] ?? ""}
              limit={limits[measure] ?? { min: "", max: "", source: "" }}
              words={limitWords(measure, build, sheet)}
              problem={problems[measure] ?? answer?.fields?.[measure]}
              onText={(text) => setTexts({ ...texts, [measure]: text })}
              onLimit={(limit) => setLimits({ ...limits, [measure]: limit })}
            />
          ))}
        </div>
      )}
      {typeof proposal === "string" && <Problem message={`This cannot be: ${proposal}.`} />}
      <CheckPanel check={check} measured={measured} build={build} fitted={fitted} sheet={sheet} air={air} />
      <Findings check={check} found={found} onChange={setFound} />
      <TypedField
        label="Note"
        value={note}
        multiline
        onChange={(event) => setNote(event.target.value)}
        problem={answer?.fields?.["note"]}
        most={2000}
        hint={check === "floatHeight" ? "Gasket on or off?" : undefined}
      />
      <Choice
        label={own === undefined ? "It comes to" : "You say"}
        value={state}
        options={CHECK_STATES.map((value) => ({ value, text: STATE_WORDS[value] }))}
        onChange={setOwn}
      />
      {state === "stop" && (
        <Caution>A stop holds the card back until this check passes, or you say “I know”.</Caution>
      )}
      <Problem message={answer?.message} />
      <div className="row save">
        <Button variant="contained" disabled={saving} onClick={save}>
          {saving ? "Saving…" : "Save this check"}
        </Button>
      </div>
    </div>
  );
}
