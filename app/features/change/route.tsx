import { useSearchParams } from "react-router";
import { PARTS, type Part } from "#core/log/parts.ts";
import { buildOfCarburettor, cylindersFedBy } from "#core/rig/carburettors.ts";
import { choices } from "#core/advice/plan/choices.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import type { Build, Setting } from "#core/log/schema.ts";
import { carburettorNamed, changeForm } from "./form.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { rigAction, toToday } from "#app/journal/rig-action.ts";
import { refusalOfFit } from "#app/journal/save.ts";
import { asText, Stepper } from "./Stepper.tsx";

export const clientAction = rigAction({
  codec: ({ rig }) => changeForm(rig.present.settings),
  form: "change",
  entries: (changes, { rig }) =>
    changes.length === 0
      ? { message: "Nothing differs from what is fitted." }
      : // On all of them: a groove that the first needle has may be missing on another's.
        (refusalOfFit(rig, { changes }) ?? [{ kind: "fit", changes, because: "own" }]),
  then: toToday,
});

/** What another screen proposes: typed in here, and refused here where it cannot be. */
function proposedIn(search: URLSearchParams, part: Part): number | undefined {
  const wanted = readTypedNumber(search.get(part) ?? "");
  return wanted.ok ? wanted.value : undefined;
}

interface ChangeFormProps {
  readonly which: number | undefined;
  readonly build: Build;
  readonly fitted: Setting;
  readonly search: URLSearchParams;
}

function ChangeForm({ which, build, fitted, search }: ChangeFormProps) {
  const { present } = useRig();
  const options = choices(build, fitted);
  const text = (part: Part) => asText(part, proposedIn(search, part) ?? fitted[part]);
  const form = useRigForm("change", changeForm(present.settings), {
    carburettor: which === undefined ? "" : String(which + 1),
    pilot: text("pilot"),
    screwTurns: text("screwTurns"),
    clip: text("clip"),
    main: text("main"),
    shimMm: text("shimMm"),
  });
  return (
    <RigFields form={form} saves="It is fitted">
      <div className="two">
        {PARTS.map((part) => (
          <Stepper key={part} part={part} values={options[part]} fitted={fitted[part]} />
        ))}
      </div>
      <Caution>
        Fuel tap off, bowl drained, engine cool, no sparks or flames. Afterwards the throttle must snap shut
        before you start the engine.
      </Caution>
    </RigFields>
  );
}

export default function ChangeRoute() {
  const { build: rig, present } = useRig();
  const [search, setSearch] = useSearchParams();
  const count = present.settings.length;
  const which = carburettorNamed(search.get("carburettor"), count);
  const build = buildOfCarburettor(rig, which ?? 0);
  const fitted = present.settings[which ?? 0] ?? build.baseline.setting;
  const fittedKey = `${which ?? "all"} ${PARTS.map((part) => fitted[part]).join(" ")}`;
  const named = Array.from({ length: count }, (_, i) => String(i + 1));
  const feeds = which === undefined ? [] : cylindersFedBy(rig, which);
  return (
    <div className="stack">
      <div>
        <h1>What was fitted?</h1>
        <p className="lead quiet">
          As stamped on the part. One change, one look: you cannot tell two changes apart.
        </p>
      </div>
      {present.openChange && (
        <Caution>
          You have not checked your earlier change yet. If you change more now, the next look counts for both.
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
      <ChangeForm key={fittedKey} which={which} build={build} fitted={fitted} search={search} />
    </div>
  );
}
