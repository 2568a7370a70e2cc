import { memo, useCallback } from "react";
import { Link } from "react-router";
import type { AirEntry } from "#core/log/schema.ts";
import { AirChart } from "./AirChart.tsx";
import { AirFields } from "./AirFields.tsx";
import { AirFigures } from "./AirFigures.tsx";
import { Instruments } from "./Instruments.tsx";
import { AirForm, startTexts, type AirMeasured } from "./form.ts";
import { RigFields } from "#app/frame/RigFields.tsx";
import { placeHref } from "#app/frame/places.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { rigAction, toToday } from "#app/journal/rig-action.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";

export const clientAction = rigAction({
  codec: AirForm,
  form: "air",
  entries: (measured) => [{ kind: "air", ...measured }],
  then: toToday,
});

/** A draft has no place in the log yet; the card only needs its air. */
const asDraft = (measured: AirMeasured): AirEntry => ({
  id: "air:draft",
  at: "2026-01-01T00:00:00Z",
  kind: "air",
  ...measured,
});

interface ReadingProps {
  readonly preferences: Preferences;
  readonly last: AirEntry | undefined;
  readonly onDraft: (draft: AirEntry | undefined) => void;
}

/** Apart from the rest: strip and card follow every key, the fields themselves need not be drawn again. */
const Reading = memo(function Reading({ preferences, last, onDraft }: ReadingProps) {
  const onMeasured = useCallback(
    (measured: AirMeasured | undefined) => onDraft(measured && asDraft(measured)),
    [onDraft],
  );
  const form = useRigForm("air", AirForm, startTexts(preferences, last));
  return (
    <div>
      <RigFields
        form={form}
        saves="Save this air"
        beside={<span className="quiet">The card follows what you type.</span>}
      >
        <Instruments />
        <AirFields form={form.methods} />
      </RigFields>
      <AirFigures form={form.methods} preferences={preferences} onMeasured={onMeasured} />
    </div>
  );
});

export default function AirRoute() {
  const { header, present, preferences, build, setDraft } = useRig();
  return (
    <div className="stack">
      <div>
        <h1>The air where the engine breathes</h1>
        <p className="lead quiet">
          In the shade, off the ground, away from hot tarmac and exhausts. Give the instrument a few minutes.
        </p>
      </div>
      <Reading preferences={preferences} last={present.air} onDraft={setDraft} />
      {present.air && (
        <p className="flush">
          <Link to={placeHref(header.id, "days")}>Days like today</Link>: what you fitted and saw in such air.
        </p>
      )}
      <AirChart lines={present.lines} reference={build.baseline.air} />
    </div>
  );
}
