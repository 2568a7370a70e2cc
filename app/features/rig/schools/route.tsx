import css from "../rig.module.css";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import {
  CHANGES_SCHOOLS,
  HOW_FAR_SCHOOLS,
  LOOK_MEANS,
  ORDER_SCHOOLS,
  PARTS_SCHOOLS,
  School,
  SCREW_SCHOOLS,
  CYLINDER_SCHOOLS,
  type LookMeans,
} from "#core/log/schools.ts";
import { lookMeans } from "#core/advice/ride/means.ts";
import { Choice } from "#app/ui/Choice.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { useSchool } from "#app/frame/use-school.ts";
import { rigAction } from "#app/journal/rig-action.ts";
import { CYLINDER_SCHOOL_WORDS } from "#app/vocabulary/cylinders.ts";
import {
  CHANGES_WORDS,
  HOW_FAR_WORDS,
  MEANS_WORDS,
  ORDER_WORDS,
  PARTS_SCHOOL_WORDS,
  SCHOOL_WORDS,
} from "#app/vocabulary/schools.ts";

export const clientAction = rigAction({
  codec: School,
  form: "school",
  what: "This way of working",
  entries: (school) => [{ kind: "school", school }],
});

export default function SchoolsRoute() {
  const { present, build } = useRig();
  const { schools } = present;
  const { choose, busy, problem } = useSchool();
  const means = lookMeans(present, build);
  const toggle = (one: LookMeans) => {
    const is = means.includes(one) ? means.filter((other) => other !== one) : [...means, one];
    if (is.length > 0) choose({ what: "lookWith", is: [...is] });
  };
  return (
    <div className="stack">
      <div>
        <h1>Ways of working</h1>
        <p className="lead quiet">
          Good tuners disagree. Your choices go into this rig’s log, so an export gives the same advice on any
          device.
        </p>
      </div>
      <fieldset className={css["means"]}>
        <legend className="label">What there is to look with</legend>
        {LOOK_MEANS.map((one) => (
          <FormControlLabel
            key={one}
            control={
              <Checkbox
                checked={means.includes(one)}
                disabled={busy || (means.length === 1 && means.includes(one))}
                onChange={() => toggle(one)}
              />
            }
            label={MEANS_WORDS[one]}
          />
        ))}
      </fieldset>
      <Choice
        label="How many at one stop"
        value={schools.changes}
        options={CHANGES_SCHOOLS.map((value) => ({
          value,
          text: CHANGES_WORDS[value].name,
          note: CHANGES_WORDS[value].note,
        }))}
        onChange={(is) => choose({ what: "changes", is })}
      />
      <Choice
        label="How far"
        value={schools.howFar}
        options={HOW_FAR_SCHOOLS.map((value) => ({
          value,
          text: HOW_FAR_WORDS[value].name,
          note: HOW_FAR_WORDS[value].note,
        }))}
        onChange={(is) => choose({ what: "howFar", is })}
      />
      <Choice
        label="Where the work begins"
        value={schools.order}
        options={ORDER_SCHOOLS.map((value) => ({
          value,
          text: ORDER_WORDS[value].name,
          note: ORDER_WORDS[value].note,
        }))}
        onChange={(is) => choose({ what: "order", is })}
      />
      <Choice
        label="Parts that are swapped"
        value={schools.parts}
        options={PARTS_SCHOOLS.map((value) => ({
          value,
          text: PARTS_SCHOOL_WORDS[value].name,
          note: PARTS_SCHOOL_WORDS[value].note,
        }))}
        onChange={(is) => choose({ what: "parts", is })}
      />
      {build.engine.cylinders > 1 && (
        <Choice
          label="A cylinder that differs"
          value={schools.cylinders}
          options={CYLINDER_SCHOOLS.map((value) => ({ value, text: CYLINDER_SCHOOL_WORDS[value].name }))}
          onChange={(is) => choose({ what: "cylinders", is })}
        />
      )}
      <Choice
        label="How the mixture screw is set"
        value={schools.screw}
        options={SCREW_SCHOOLS.map((value) => ({ value, text: SCHOOL_WORDS[value].name }))}
        onChange={(is) => choose({ what: "screw", is })}
      />
      <p className="quiet flush">{SCHOOL_WORDS[schools.screw].how}</p>
      <Problem message={problem} />
    </div>
  );
}
