import css from "./places.module.css";
import Button from "@mui/material/Button";
import { useState } from "react";
import { PRESSURE_TOLD, type PlaceEntry } from "#core/log/schema.ts";
import { ZONES } from "#core/carburettor/zones.ts";
import { placeKey } from "#core/log/day-schema.ts";
import { fromSI } from "#core/units/quantity.ts";
import { placeHref } from "#app/frame/places.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { rigAction } from "#app/journal/rig-action.ts";
import { FormField, FormPick } from "#app/ui/form-fields.tsx";
import { PRESSURE_TOLD_WORDS } from "#app/vocabulary/ahead.ts";
import { ZONE_NAMES, ZONE_OPENINGS, zoneInSentence } from "#app/vocabulary/parts.ts";
import { EMPTY_PLACE, placeForm, placeTexts, type PlaceTexts } from "./form.ts";
import { formatQuantity } from "#app/vocabulary/numerals.ts";

export const clientAction = rigAction({
  codec: ({ preferences }) => placeForm(preferences.length),
  form: "place",
  entries: (place) => [{ kind: "place", ...place }],
  then: (rigId) => placeHref(rigId, "places"),
});

function PlaceForm({ texts, onDone }: { texts: PlaceTexts; onDone: () => void }) {
  const { preferences } = useRig();
  const form = useRigForm("place", placeForm(preferences.length), texts);
  return (
    <RigFields form={form} saves="Save this place" beside={<Button onClick={onDone}>Leave it</Button>}>
      <div className={css["fields"]}>
        <FormField<PlaceTexts> name="name" label="Place" most={60} />
        <FormField<PlaceTexts> name="elevation" label="Height" unit={preferences.length} keys="decimal" />
      </div>
      <FormPick<PlaceTexts>
        name="pressure"
        label="Pressure there"
        options={PRESSURE_TOLD.map((told) => [told, PRESSURE_TOLD_WORDS[told]] as const)}
      />
      <fieldset className="choices">
        <legend className="label">How it is ridden there, in shares of the time</legend>
        <div className={css["shares"]}>
          {ZONES.map((zone) => (
            <FormField<PlaceTexts>
              key={zone}
              name={zone}
              label={ZONE_NAMES[zone]}
              hint={ZONE_OPENINGS[zone]}
              keys="decimal"
            />
          ))}
        </div>
      </fieldset>
      <p className="quiet flush">
        Left empty, what the rig’s description says counts. While your newest air is from this place, the card
        weighs the zones by this use.
      </p>
    </RigFields>
  );
}

function usageWords({ usage }: PlaceEntry): string {
  if (!usage) return "ridden as the rig says";
  const total = ZONES.reduce((sum, zone) => sum + usage[zone], 0);
  return ZONES.filter((zone) => usage[zone] > 0)
    .map((zone) => `${zoneInSentence(zone)} ${Math.round((100 * usage[zone]) / total)} %`)
    .join(", ");
}

/** Places at which an air was read and of which nothing more is known. */
function useNamed(): { name: string; elevationM: number | undefined }[] {
  const { present } = useRig();
  const named = new Map<string, { name: string; elevationM: number | undefined }>();
  for (const { entry, struck } of present.lines)
    if (
      entry.kind === "air" &&
      !struck &&
      entry.place !== "" &&
      !present.ahead.places.has(placeKey(entry.place))
    )
      named.set(placeKey(entry.place), { name: entry.place, elevationM: entry.elevationM });
  return [...named.values()];
}

export default function PlacesRoute() {
  const { present, preferences } = useRig();
  const { length } = preferences;
  const places = [...present.ahead.places.values()];
  const named = useNamed();
  // A saved place is a newer entry: its form closes by itself.
  const newest = places.map(({ id }) => id).join(" ");
  const [editing, setEditing] = useState<{ texts: PlaceTexts; of: string }>();
  const open = editing?.of === newest ? editing.texts : undefined;
  const edit = (texts: PlaceTexts) => setEditing({ texts, of: newest });
  return (
    <div className="stack wide">
      <div>
        <h1>Places</h1>
        <p className="lead quiet">
          Where this rig is run: its height, what the barometer shows there, and where on the throttle it is
          ridden.
        </p>
      </div>
      {open ? (
        <PlaceForm key={open.name} texts={open} onDone={() => setEditing(undefined)} />
      ) : (
        <>
          {places.length === 0 && named.length === 0 && (
            <p className="quiet flush">
              No place yet. A place is known once you read the air there, or name it here.
            </p>
          )}
          <ul className={css["places"]} aria-label="Places">
            {places.map((place) => (
              <li key={place.id}>
                <div>
                  <strong>{place.name}</strong>
                  <p className="quiet flush">
                    {formatQuantity("length", place.elevationM, length)} ·{" "}
                    {PRESSURE_TOLD_WORDS[place.pressure]} · {usageWords(place)}
                  </p>
                </div>
                <Button
                  variant="outlined"
                  aria-label={`Change ${place.name}`}
                  onClick={() => edit(placeTexts(place, length))}
                >
                  Change
                </Button>
              </li>
            ))}
            {named.map(({ name, elevationM }) => (
              <li key={name}>
                <div>
                  <strong>{name}</strong>
                  <p className="quiet flush">
                    Known by its air alone
                    {elevationM === undefined ? "" : `, ${formatQuantity("length", elevationM, length)}`}.
                  </p>
                </div>
                <Button
                  variant="outlined"
                  aria-label={`Say more of ${name}`}
                  onClick={() =>
                    edit({
                      ...EMPTY_PLACE,
                      name,
                      elevation:
                        elevationM === undefined
                          ? ""
                          : String(Math.round(fromSI("length", elevationM, length))),
                    })
                  }
                >
                  Say more
                </Button>
              </li>
            ))}
          </ul>
          <Button variant="contained" className="start" onClick={() => edit(EMPTY_PLACE)}>
            Another place
          </Button>
        </>
      )}
    </div>
  );
}
