import Button from "@mui/material/Button";
import { Form, redirect, useActionData, useNavigation, useSearchParams } from "react-router";
import type { Route } from "./+types/route";
import { PARTS, type Part } from "#core/log/parts.ts";
import { buildOfCarburettor, cylindersFedBy } from "#core/rig/carburettors.ts";
import { choices } from "#core/advice/plan/choices.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { changeForm } from "./form.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { openRig } from "#app/journal/open-rig.ts";
import { fieldMessages, refusalOfFit, refused, saveEntry, type ActionProblem } from "#app/journal/save.ts";
import { Stepper } from "./Stepper.tsx";

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const rig = await openRig(params.rigId);
  const { build, present, fitted } = rig;
  const texts = Object.fromEntries(await request.formData());
  const which = carburettorNamed(texts["carburettor"], present.settings.length);
  const one = buildOfCarburettor(build, which ?? 0);
  const parsed = changeForm(
    one,
    present.settings[which ?? 0] ?? fitted,
    which === undefined ? undefined : which + 1,
  ).safeParse(texts);
  if (!parsed.success) return refused({ fields: fieldMessages(parsed.error) });
  if (parsed.data.length === 0) return refused({ message: "Nothing differs from what is fitted." });
  // On all of them: a groove that the first needle has may be missing on another's.
  const refusal = refusalOfFit(rig, { changes: parsed.data });
  if (refusal !== undefined) return refused({ message: refusal });
  const problem = await saveEntry(params.rigId, "fit", { changes: parsed.data, because: "own" });
  return problem ? refused(problem, 507) : redirect(`/rigs/${params.rigId}`);
}

/** @returns the carburettor (from 0) that is meant, or nothing for all of them */
function carburettorNamed(text: unknown, count: number): number | undefined {
  const read = typeof text === "string" ? Number(text) : NaN;
  return Number.isInteger(read) && read >= 1 && read <= count && count > 1 ? read - 1 : undefined;
}

/** What another screen proposes: typed in here, and refused here where it cannot be. */
function proposedIn(search: URLSearchParams, part: Part): number | undefined {
  const wanted = readTypedNumber(search.get(part) ?? "");
  return wanted.ok ? wanted.value : undefined;
}

export default function ChangeRoute() {
  const { build: rig, present } = useRig();
  const [search, setSearch] = useSearchParams();
  const count = present.settings.length;
  const which = carburettorNamed(search.get("carburettor"), count);
  const build = buildOfCarburettor(rig, which ?? 0);
  const fitted = present.settings[which ?? 0] ?? build.baseline.setting;
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem>();
  const options = choices(build, fitted);
  const fittedKey = `${which ?? "all"} ${PARTS.map((part) => fitted[part]).join(" ")}`;
  const named = Array.from({ length: count }, (_, i) => String(i + 1));
  const feeds = which === undefined ? [] : cylindersFedBy(rig, which);
  return (
    <div className="stack">
      <div>
        <h1>What was fitted?</h1>
        <p className="lead quiet">
          As stamped on the part. One change, one look: two at once cannot be told apart.
        </p>
      </div>
      {present.openChange && (
        <Caution>
          An earlier change has not been looked at yet. Another one now, and the next look speaks for both.
        </Caution>
      )}
      {count > 1 && (
        <Choice
          label="On which carburettor"
          value={which === undefined ? "all" : String(which + 1)}
          options={[
            { value: "all", text: "All" },
            ...named.map((value) => ({
              value,
              text: value,
              note: `feeds ${cylindersFedBy(rig, Number(value) - 1).join(", ")}`,
            })),
          ]}
          onChange={(value) => setSearch(value === "all" ? {} : { carburettor: value }, { replace: true })}
        />
      )}
      {feeds.length > 0 && (
        <Caution plain>
          It feeds {feeds.length > 1 ? "cylinders" : "cylinder"} {feeds.join(" and ")}; the others stay as
          they are.
        </Caution>
      )}
      <Form method="post" className="form" noValidate key={fittedKey}>
        <input type="hidden" name="carburettor" value={which === undefined ? "" : which + 1} />
        <div className="two">
          {PARTS.map((part) => (
            <Stepper
              key={part}
              part={part}
              values={options[part]}
              fitted={fitted[part]}
              proposed={proposedIn(search, part)}
              problem={answer?.fields?.[part]}
            />
          ))}
        </div>
        <Caution>
          Tap off, bowl drained, engine cool, no sparks or flames. After refitting: throttle must snap shut
          before the engine is started.
        </Caution>
        <Problem message={answer?.message} />
        <div className="row save">
          <Button type="submit" variant="contained" disabled={saving}>
            {saving ? "Saving…" : "It is fitted"}
          </Button>
        </div>
      </Form>
    </div>
  );
}
