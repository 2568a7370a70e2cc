import { useWatch } from "react-hook-form";
import { Link } from "react-router";
import { humidAirFromLog, rigFromBuild } from "#core/rig/from-build.ts";
import { CHECK_STATES, CHECKS, type CheckName } from "#core/log/walk-round-names.ts";
import { CHECK_PLAN } from "#core/walkround/checks.ts";
import { propose } from "#core/walkround/proposal.ts";
import { attempt, Refusal } from "#core/units/guard.ts";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { limitsForm, limitTexts, sheetFor } from "#app/frame/limits.ts";
import { FormField } from "#app/ui/form-fields.tsx";
import { checkDraft, CheckForm, limitWords, measureOf, readMeasured, type CheckTexts } from "./form.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { placeHref } from "#app/frame/places.ts";
import { CHECK_WORDS, STATE_WORDS } from "#app/vocabulary/walk-round.ts";
import { CHECK_GUIDE } from "#app/vocabulary/walk-round-guide.ts";
import { CheckPanel } from "./CheckPanels.tsx";
import { MeasureField } from "./MeasureField.tsx";
import { Findings } from "./Findings.tsx";

export function CheckScreen({ check }: { check: CheckName }) {
  const { build, fitted, present, header } = useRig();
  const { measures } = CHECK_PLAN[check];
  const form = useRigForm(checkDraft(check), CheckForm, {
    state: "",
    measured: Object.fromEntries(measures.map((measure) => [measure, ""])),
    limits: limitTexts(measures, present.sheet?.limits),
    findings: [],
    note: "",
  });
  const [own, texts, limits, found] = useWatch({
    control: form.methods.control,
    name: ["state", "measured", "limits", "findings"],
  });
  const guide = CHECK_GUIDE[check];
  const measured = readMeasured(texts);
  const typedLimits = limitsForm.safeParse(limits);
  const base = sheetFor(build, present.sheet);
  const sheet = { ...base, limits: { ...base.limits, ...typedLimits.data } };
  const tried = attempt(() => propose(check, { measured, findings: found }, build, fitted, sheet));
  const impossible = tried instanceof Refusal ? tried : undefined;
  const blamed = impossible && measureOf(impossible);
  const comesTo = tried instanceof Refusal ? "notes" : tried.state;
  const state = own === "" ? comesTo : own;
  const air = present.air ? humidAirFromLog(present.air) : rigFromBuild(build).baseline.air;
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
      <RigFields form={form} saves="Save this check">
        {measures.length > 0 && (
          <div className="two">
            {measures.map((measure) => (
              <MeasureField
                key={measure}
                measure={measure}
                words={limitWords(measure, build, sheet)}
                problem={blamed === measure ? `This cannot be: ${impossible?.message}.` : undefined}
              />
            ))}
          </div>
        )}
        {impossible && blamed === undefined && <Problem message={`This cannot be: ${impossible.message}.`} />}
        <CheckPanel check={check} measured={measured} build={build} fitted={fitted} sheet={sheet} air={air} />
        <Findings check={check} found={found} onChange={(next) => form.methods.setValue("findings", next)} />
        <FormField<CheckTexts>
          name="note"
          label="Note"
          multiline
          most={2000}
          hint={check === "floatHeight" ? "Gasket on or off?" : undefined}
        />
        <Choice
          label={own === "" ? "It comes to" : "You say"}
          value={state}
          options={CHECK_STATES.map((value) => ({ value, text: STATE_WORDS[value] }))}
          onChange={(said) => form.methods.setValue("state", said)}
        />
        {state === "stop" && (
          <Caution>A stop holds the card back until this check passes, or you say “I know”.</Caution>
        )}
      </RigFields>
    </div>
  );
}
