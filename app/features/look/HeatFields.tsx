import Button from "@mui/material/Button";
import { useFormState } from "react-hook-form";
import type { Zone } from "#core/carburettor/zones.ts";
import type { LookTexts } from "./form.ts";
import { heatShown, otherUnit, readHeat, type HeatTexts } from "./heat-form.ts";
import { useKind } from "./use-kind.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { zoneInSentence } from "#app/vocabulary/parts.ts";
import { learntWords } from "#app/vocabulary/readings.ts";
import { HeatMovesTable } from "./HeatMovesTable.tsx";

type Name = keyof HeatTexts | "exhaust" | "staging" | "finish";

interface HeatFieldsProps {
  readonly zone: Zone;
  /** sends the form as it is then */
  readonly onSave: () => void;
}

/** A temperature of exhaust gas, or of the head at start line and finish, against this rig's own targets. */
export function HeatFields({ zone, onSave }: HeatFieldsProps) {
  const { build, advice } = useRig();
  const { typed, type, wrong } = useKind("temperature");
  const { unit, sensor } = typed;
  const shown = heatShown(typed, zone, build.heat ?? {});
  const { isSubmitted } = useFormState<LookTexts>();
  const read = isSubmitted ? readHeat(shown, build) : undefined;
  const offersOther = read?.ok === false && read.otherUnit !== undefined;
  const field = (name: Name, label: string, help?: string) => (
    <TypedField
      key={name}
      label={`${label}, ${unit}`}
      value={shown[name]}
      onChange={({ target }) => type({ [name]: target.value })}
      problem={wrong(name)}
      hint={help}
      keys="decimal"
    />
  );
  return (
    <>
      <div className="two-fields">
        <Choice
          label="The probe sits"
          value={sensor}
          options={[
            { value: "exhaust", text: "In the exhaust gas" },
            { value: "head", text: "On the head", note: "start line and finish" },
          ]}
          onChange={(next) => type({ sensor: next })}
        />
        <Choice
          label="It shows"
          value={unit}
          options={[
            { value: "°C", text: "°C" },
            { value: "°F", text: "°F" },
          ]}
          onChange={(next) => type({ unit: next })}
        />
      </div>
      <div className="two-fields">
        {sensor === "exhaust" ? (
          field("exhaust", "Exhaust gas", "At the end of the held opening or pull, not its peak after.")
        ) : (
          <>
            {field("staging", "At the start line", "Staged, the same way each time.")}
            {field("finish", "At the finish", "May be left out.")}
          </>
        )}
      </div>
      {offersOther && (
        <Button
          variant="outlined"
          className="start"
          onClick={() => {
            type({ unit: otherUnit(unit) });
            onSave();
          }}
        >
          Read it as {otherUnit(unit)} and save
        </Button>
      )}
      <section className="stack tight">
        <h2>Where this engine belongs</h2>
        <div className="gauge-fields">
          {sensor === "exhaust" ? (
            <>
              {field("exhaustTarget", `Target, ${zoneInSentence(zone)}`)}
              {field("exhaustWithin", "Give or take")}
            </>
          ) : (
            <>
              {field("stagingTarget", "Staging target")}
              {field("stagingWithin", "Give or take")}
              {field("riseFrom", "Rise to the finish, from")}
              {field("riseTo", "to")}
            </>
          )}
        </div>
        <p className="quiet flush">
          Every engine likes a different one, so none is built in. Hotter is leaner, cooler is richer. Until
          you have measured two settings, only hotter or cooler counts. After that this engine’s own degrees
          for each per cent count. {learntWords(advice?.heat ?? [], sensor, unit)}
        </p>
      </section>
      <HeatMovesTable sensor={sensor} />
    </>
  );
}
