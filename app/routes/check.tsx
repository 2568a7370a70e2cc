import Button from "@mui/material/Button";
import InputAdornment from "@mui/material/InputAdornment";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { data, Link, redirect, useActionData, useNavigation, useSubmit } from "react-router";
import type { Route } from "./+types/check";
import { humidAirFromLog, rigFromBuild } from "#core/rig/from-build.ts";
import {
  CHECK_STATES,
  CHECKS,
  CheckName,
  type FindingName,
  type MeasureName,
} from "#core/log/walk-round-names.ts";
import { CHECK_PLAN, type Finding } from "#core/walkround/checks.ts";
import { propose, type Proposal } from "#core/walkround/proposal.ts";
import {
  CheckSent,
  limitTexts,
  limitWords,
  readLimits,
  readMeasured,
  sheetFor,
  UNSTAMPED,
  withLimits,
  type LimitsTexts,
  type LimitTexts,
  type Texts,
} from "#app/forms/check-form.ts";
import { Caution } from "#app/parts/Caution.tsx";
import { Choice } from "#app/parts/Choice.tsx";
import { Problem } from "#app/parts/Problem.tsx";
import { useRig } from "#app/rig/context.ts";
import { placeHref } from "#app/rig/places.ts";
import { modelRefusal, openRig, refused, saveEntries, type ActionProblem } from "#app/rig/save.ts";
import { saveSheets } from "#app/store/base-sheets.ts";
import {
  CHECK_WORDS,
  EFFECT_WORDS,
  FINDING_WORDS,
  MEASURE_WORDS,
  STATE_WORDS,
} from "#app/words/walk-round.ts";
import { CheckPanel } from "#app/walkround/CheckPanels.tsx";

const nextCheck = (check: CheckName): CheckName | undefined => CHECKS[CHECKS.indexOf(check) + 1];

function checkOf(name: string): CheckName {
  const parsed = CheckName.safeParse(name);
  if (!parsed.success) throw data(`There is no check “${name}” in the walk-round.`, { status: 404 });
  return parsed.data;
}

export function clientLoader({ params }: Route.ClientLoaderArgs) {
  return { check: checkOf(params.check) };
}

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const check = checkOf(params.check);
  const parsed = CheckSent.safeParse(await request.json());
  if (!parsed.success) return refused({ message: "This check cannot be read. Nothing was saved." });
  const { state, texts, limits: typed, findings, note } = parsed.data;
  const { measured, problems } = readMeasured(texts);
  const [wrong] = Object.entries(problems);
  if (wrong) return refused({ fields: { [wrong[0]]: wrong[1] } });
  const read = readLimits(typed);
  if (!read.ok) return refused({ fields: { [read.measure]: read.message } });
  const { build, fitted, present } = await openRig(params.rigId);
  const refusal = modelRefusal(() => propose(check, { measured, findings }, build, fitted, present.sheet));
  if (refusal !== undefined) return refused({ message: refusal });
  const sheet = withLimits(sheetFor(build, present.sheet), Object.keys(typed), read.limits);
  const problem = await saveEntries(params.rigId, [
    ...(sheet ? [{ kind: "base" as const, sheet }] : []),
    { kind: "check", check, state, measured, findings, note },
  ]);
  if (problem) return refused(problem, 507);
  // The rig's own log has the limits now; the collection is there to find them again on another rig.
  if (sheet && sheet.stamp !== UNSTAMPED) await saveSheets([sheet]);
  const next = nextCheck(check);
  return redirect(placeHref(params.rigId, state === "stop" || !next ? "walk-round" : `walk-round/${next}`));
}

function MeasureField({
  measure,
  text,
  limit,
  words,
  problem,
  onText,
  onLimit,
}: {
  measure: MeasureName;
  text: string;
  limit: LimitTexts;
  words: string;
  problem: string | undefined;
  onText: (text: string) => void;
  onLimit: (limit: LimitTexts) => void;
}) {
  const [open, setOpen] = useState(false);
  const { label, unit } = MEASURE_WORDS[measure];
  const bound = (name: keyof LimitTexts, boundLabel: string) => (
    <TextField
      label={boundLabel}
      value={limit[name]}
      onChange={(event) => onLimit({ ...limit, [name]: event.target.value })}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
  return (
    <div className="measure">
      <TextField
        label={label}
        value={text}
        fullWidth
        autoComplete="off"
        onChange={(event) => onText(event.target.value)}
        error={problem !== undefined}
        helperText={problem ?? words}
        slotProps={{
          htmlInput: { inputMode: "decimal" },
          inputLabel: { shrink: true },
          input: { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> },
        }}
      />
      <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
        Limit
      </Button>
      {open && (
        <div className="limit-row">
          {bound("min", "From")}
          {bound("max", "To")}
          {bound("source", "Where it comes from")}
        </div>
      )}
    </div>
  );
}

function Findings({
  check,
  found,
  onChange,
}: {
  check: CheckName;
  found: readonly FindingName[];
  onChange: (found: FindingName[]) => void;
}) {
  const findings = Object.entries(CHECK_PLAN[check].findings) as [FindingName, Finding][];
  return (
    <fieldset className="choices stack" style={{ gap: 8 }}>
      <legend className="label">Found</legend>
      {findings.map(([name, { effect, gravity }]) => {
        const on = found.includes(name);
        return (
          <label key={name} className={`finding${on ? " on" : ""}`}>
            <input
              type="checkbox"
              checked={on}
              onChange={() => onChange(on ? found.filter((other) => other !== name) : [...found, name])}
            />
            <span>
              <strong>{FINDING_WORDS[name].found}</strong>
              <small>
                {gravity === "stop" ? "Stop" : "Note"}: {EFFECT_WORDS[effect]}.{" "}
                {on && FINDING_WORDS[name].remedy}
              </small>
            </span>
          </label>
        );
      })}
    </fieldset>
  );
}

function attempt(work: () => Proposal): Proposal | string {
  try {
    return work();
  } catch (error) {
    if (error instanceof RangeError) return error.message;
    throw error;
  }
}

export default function CheckRoute({ loaderData: { check } }: Route.ComponentProps) {
  return <CheckScreen key={check} check={check} />;
}

function CheckScreen({ check }: { check: CheckName }) {
  const { build, fitted, present, header } = useRig();
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem>();
  const [texts, setTexts] = useState<Texts>({});
  const [limits, setLimits] = useState<LimitsTexts>(() => limitTexts(check, present.sheet));
  const [found, setFound] = useState<FindingName[]>([]);
  const [note, setNote] = useState("");
  const [own, setOwn] = useState<CheckSent["state"]>();
  const words = CHECK_WORDS[check];
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
        <Link to={placeHref(header.id, "walk-round")}>Walk-round</Link>{" "}
        <span className="quiet">
          {number} of {CHECKS.length}
        </span>
        <h1>{words.title}</h1>
        <p className="lead quiet">{words.why}</p>
      </div>
      {words.caution !== undefined && <Caution>{words.caution}</Caution>}
      <ol className="steps">
        {words.steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <p className="quiet" style={{ margin: 0 }}>
        {words.tools}.
      </p>
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
      <TextField
        label="Note"
        value={note}
        multiline
        onChange={(event) => setNote(event.target.value)}
        helperText={check === "floatHeight" ? "Gasket on or off?" : undefined}
        slotProps={{ inputLabel: { shrink: true } }}
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
