import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import TextField from "@mui/material/TextField";
import Close from "@mui/icons-material/Close";
import { useMemo, useState } from "react";
import { Link, redirect, useActionData, useNavigation, useRevalidator, useSubmit } from "react-router";
import type { Route } from "./+types/idle";
import type { IdlePoint } from "#core/idle/best-idle.ts";
import { SCREW_SCHOOLS, type ScrewSchool } from "#core/idle/schools.ts";
import { humidAirFromLog, rigFromBuild } from "#core/rig/from-build.ts";
import { formatTurns } from "#core/units/workshop.ts";
import { benchOf, idleReading, IdlePoints, nextPlace, readPoint } from "#app/forms/idle-form.ts";
import { IdleChart } from "#app/idle/IdleChart.tsx";
import { Caution } from "#app/parts/Caution.tsx";
import { Choice } from "#app/parts/Choice.tsx";
import { Problem } from "#app/parts/Problem.tsx";
import { useRig } from "#app/rig/context.ts";
import { placeHref } from "#app/rig/places.ts";
import { openRig, refused, saveEntry, type ActionProblem, type OpenRig } from "#app/rig/save.ts";
import { readPreferences, writePreferences } from "#app/store/preferences.ts";
import { missingWords, SCHOOL_WORDS, verdictWords } from "#app/words/idle.ts";

const airOf = ({ present, build }: Pick<OpenRig, "present" | "build">) =>
  present.air ? humidAirFromLog(present.air) : rigFromBuild(build).baseline.air;

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const parsed = IdlePoints.safeParse(await request.json());
  if (!parsed.success) return refused({ message: "These readings cannot be read. Nothing was saved." });
  const rig = await openRig(params.rigId);
  const { fit } = benchOf(parsed.data, rig.build, rig.fitted, airOf(rig), "middle");
  const reading = idleReading(fit, parsed.data);
  if (!fit.ok || !reading)
    return refused({ message: fit.ok ? "Nothing to save." : missingWords(fit.missing) });
  const problem = await saveEntry(params.rigId, "look", { reading });
  if (problem) return refused(problem, 507);
  drafts.delete(params.rigId);
  return redirect(`/rigs/${params.rigId}`);
}

/** Readings half walked outlast a glance at another screen. */
const drafts = new Map<string, readonly IdlePoint[]>();

const STEPS = [
  "Engine warm, choke off, in the open. Screw at its base; raise the idle a little if you like, and bring it back after.",
  "Quarter turns. Wait until the idle has settled, some ten seconds, then type it.",
  "Go on past the fall-off, both ways.",
];

function AddReading({ suggested, onAdd }: { suggested: number; onAdd: (point: IdlePoint) => void }) {
  const [turns, setTurns] = useState(formatTurns(suggested));
  const [rpm, setRpm] = useState("");
  const [fields, setFields] = useState<Record<string, string>>({});
  const add = () => {
    const read = readPoint(turns, rpm);
    setFields(read.ok ? {} : read.fields);
    if (read.ok) onAdd(read.point);
  };
  return (
    <form
      className="idle-row"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <TextField
        label="Turns out"
        value={turns}
        onChange={(event) => setTurns(event.target.value)}
        error={fields["turns"] !== undefined}
        helperText={fields["turns"]}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <TextField
        label="Settled at, rpm"
        value={rpm}
        autoFocus
        onChange={(event) => setRpm(event.target.value)}
        error={fields["rpm"] !== undefined}
        helperText={fields["rpm"]}
        slotProps={{ htmlInput: { inputMode: "numeric" }, inputLabel: { shrink: true } }}
      />
      <Button type="submit" variant="contained" sx={{ minHeight: 56 }}>
        Add
      </Button>
    </form>
  );
}

export default function IdleRoute() {
  const context = useRig();
  const { build, fitted, header, preferences, present } = context;
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const { revalidate } = useRevalidator();
  const answer = useActionData<ActionProblem>();
  const [points, setPoints] = useState<readonly IdlePoint[]>(() => drafts.get(header.id) ?? []);
  const school = preferences.screwSchool;
  const air = useMemo(() => airOf({ present, build }), [present, build]);
  const bench = useMemo(
    () => benchOf(points, build, fitted, air, school),
    [points, build, fitted, air, school],
  );
  const { fit, verdict, window } = bench;
  const keep = (next: readonly IdlePoint[]) => {
    drafts.set(header.id, next);
    setPoints(next);
  };
  const choose = (next: ScrewSchool) =>
    void readPreferences()
      .then((now) => writePreferences({ ...now, screwSchool: next }))
      .then(() => revalidate());
  const words = verdictWords(verdict, window);
  const target = verdict.kind === "leave" || verdict.kind === "repeat" ? verdict.setTo : undefined;
  const next = nextPlace(points, build.baseline.setting.screwTurns, fit);
  return (
    <div className="stack">
      <div aria-live="polite">
        <h1>{points.length === 0 ? "The idle bench" : words.title}</h1>
        <p className="lead quiet">
          {points.length === 0
            ? "Idle speed against the turns of the screw: where it is best, and whether the pilot jet is right."
            : words.reason}
        </p>
      </div>
      <Caution>
        Run it in the open: exhaust holds carbon monoxide. Hot pipe; hands, sleeves and tools clear of chain,
        belt and flywheel. Not so low that oil pressure suffers.
      </Caution>
      <AddReading
        key={points.length}
        suggested={next}
        onAdd={(point) => keep([...points, point].sort((a, b) => a.turns - b.turns))}
      />
      <IdleChart points={points} fit={fit.fit} target={target} />
      {fit.fit && (
        <p style={{ margin: 0 }}>
          Crest {Math.round(fit.fit.crestRpm)} rpm at {formatTurns(fit.fit.crestTurns)}; 2 % lost at{" "}
          {formatTurns(fit.fit.fallInTurns)} and {formatTurns(fit.fit.fallOutTurns)}; the middle at{" "}
          {fit.fit.middleTurns.toFixed(2)} ± {(1.28 * fit.fit.sdTurns).toFixed(2)} turns.
        </p>
      )}
      {points.length > 0 && (
        <ol className="readings" aria-label="Readings">
          {points.map((point, i) => (
            <li key={`${i} ${point.turns} ${point.rpm}`}>
              <span>{formatTurns(point.turns)}</span>
              <strong>{point.rpm}</strong>
              {fit.fit?.outliers.includes(i) && <small>does not fit</small>}
              <IconButton
                aria-label={`Remove ${point.rpm} at ${formatTurns(point.turns)}`}
                onClick={() => keep(points.filter((_, k) => k !== i))}
                sx={{ width: 48, height: 48 }}
              >
                <Close fontSize="small" />
              </IconButton>
            </li>
          ))}
        </ol>
      )}
      {points.length === 0 && (
        <ol className="steps">
          {STEPS.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
      )}
      <Choice
        label="How you set the screw"
        value={school}
        options={SCREW_SCHOOLS.map((value) => ({ value, text: SCHOOL_WORDS[value].name }))}
        onChange={choose}
      />
      <p className="quiet" style={{ margin: 0 }}>
        {SCHOOL_WORDS[school].how}
      </p>
      <Problem message={answer?.message} />
      <div className="row save">
        <Button
          variant="contained"
          disabled={saving || !fit.ok}
          onClick={() => void submit(JSON.stringify(points), { method: "post", encType: "application/json" })}
        >
          {saving ? "Saving…" : "Log this idle"}
        </Button>
        <Button component={Link} to={placeHref(header.id, "change")} variant="outlined">
          What was fitted
        </Button>
      </div>
    </div>
  );
}
