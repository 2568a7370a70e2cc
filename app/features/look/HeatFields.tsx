import Button from "@mui/material/Button";
import { useState } from "react";
import { flushSync } from "react-dom";
import type { Zone } from "#core/carburettor/zones.ts";
import type { HeatSensor } from "#core/log/parts.ts";
import { heatTexts, otherUnit, type HeatTexts } from "./heat-form.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { learntWords } from "#app/vocabulary/readings.ts";
import { HeatMovesTable } from "./HeatMovesTable.tsx";

type Name = keyof HeatTexts | "exhaust" | "staging" | "finish";

interface HeatFieldsProps {
  readonly zone: Zone;
  readonly fields: Readonly<Record<string, string>> | undefined;
  /** the figures make sense in the other unit */
  readonly offersOther: boolean;
}

/** A temperature of exhaust gas, or of the head at start line and finish, against this rig's own targets. */
export function HeatFields({ zone, fields, offersOther }: HeatFieldsProps) {
  const { build, preferences, advice } = useRig();
  const [unit, setUnit] = useState(preferences.temperature);
  const [sensor, setSensor] = useState<HeatSensor>(build.heat?.staging ? "head" : "exhaust");
  const [typed, setTyped] = useState<Readonly<Partial<Record<Name, string>>>>({});
  const known = heatTexts(build.heat ?? {}, zone, unit);
  const field = (name: Name, label: string, help?: string) => (
    <TypedField
      key={name}
      name={name}
      label={`${label}, ${unit}`}
      value={typed[name] ?? (name in known ? known[name as keyof HeatTexts] : "")}
      onChange={({ target }) => setTyped({ ...typed, [name]: target.value })}
      problem={fields?.[name]}
      hint={help}
      keys="decimal"
    />
  );
  return (
    <>
      <input type="hidden" name="sensor" value={sensor} />
      <input type="hidden" name="unit" value={unit} />
      <div className="two-fields">
        <Choice
          label="The probe sits"
          value={sensor}
          options={[
            { value: "exhaust", text: "In the exhaust gas" },
            { value: "head", text: "On the head", note: "start line and finish" },
          ]}
          onChange={setSensor}
        />
        <Choice
          label="It shows"
          value={unit}
          options={[
            { value: "°C", text: "°C" },
            { value: "°F", text: "°F" },
          ]}
          onChange={setUnit}
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
          onClick={({ currentTarget }) => {
            // The form goes out with what it holds: the unit must be in it by then.
            flushSync(() => setUnit(otherUnit(unit)));
            currentTarget.form?.requestSubmit();
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
              {field("exhaustTarget", `Target, ${ZONE_NAMES[zone].toLowerCase()}`)}
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
          Every engine likes another, so none is built in. Hotter is leaner, cooler is richer: until two
          settings have been measured only the sign counts, then this engine’s own degrees per cent.{" "}
          {learntWords(advice?.heat ?? [], sensor, unit)}
        </p>
      </section>
      <HeatMovesTable sensor={sensor} />
    </>
  );
}
