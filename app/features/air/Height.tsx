import Button from "@mui/material/Button";
import { useMemo } from "react";
import { useFormContext } from "react-hook-form";
import type { Fix } from "#core/satellites/fix.ts";
import { GEOID_MOST_M, heightOf, type SatelliteHeight } from "#core/satellites/height.ts";
import { ellipsoidOverSea, nearestPlace, type KnownPlace } from "#core/satellites/known-place.ts";
import type { AirEntry } from "#core/log/schema.ts";
import { ConnectBar, SimulatedMark } from "#app/devices/ConnectBar.tsx";
import { hasSatellites, Satellites } from "#app/devices/satellites.ts";
import { SimulatedSatellites } from "#app/devices/simulated-satellites.ts";
import { seedOf } from "#app/devices/simulated-engine.ts";
import { useFeed } from "#app/devices/use-feed.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { dayTitle } from "#app/vocabulary/days.ts";
import { takenTexts, type AirTexts } from "./form.ts";
import { heightWords } from "./words.ts";
import { formatNumber, formatQuantity } from "#app/vocabulary/numerals.ts";

/** The errors of fixes wander: what came in the last minute is one measurement. */
const COUNTED = 60;

interface Here {
  readonly fix: Fix;
  /** above the sea, as far as that is known */
  readonly height: SatelliteHeight | undefined;
  /** by how much the satellites count too high here; nothing where no true height was typed nearby */
  readonly offsetM: number | undefined;
  readonly known: KnownPlace | undefined;
}

function hereOf(fixes: readonly Fix[], airs: readonly AirEntry[]): Here | undefined {
  const fix = fixes.at(-1);
  if (!fix) return undefined;
  const told = heightOf(fixes.slice(-COUNTED));
  const offsetM = ellipsoidOverSea(airs, fix);
  return {
    fix,
    height: told && { ...told, heightM: told.heightM - (offsetM ?? 0) },
    offsetM,
    known: nearestPlace(airs, fix),
  };
}

interface HereWordsProps {
  readonly here: Here;
  readonly onHeight: (heightM: number) => void;
  readonly onPlace: (known: KnownPlace) => void;
  /** kept, so that it is known again; the height is typed */
  readonly onPlaceAlone: () => void;
}

function HereWords({ here: { height, offsetM, known }, onHeight, onPlace, onPlaceAlone }: HereWordsProps) {
  const { preferences } = useRig();
  const { length } = preferences;
  return (
    <>
      {height ? (
        <p className="flush" role="status">
          <strong>{heightWords(height.heightM, height.sdM, preferences)}</strong>
          {offsetM === undefined
            ? `. Satellites count from an ellipsoid, up to ${formatQuantity("length", GEOID_MOST_M, length)} off the sea: hold it against a map once. A height typed here is remembered, and the difference taken out from then on.`
            : `, ${formatQuantity("length", Math.abs(offsetM), length)} taken ${offsetM > 0 ? "off" : "on"} as the heights typed near here say.`}
        </p>
      ) : (
        <p className="flush quiet" role="status">
          Place found, but no height yet. It needs at least four satellites under an open sky.
        </p>
      )}
      <div className="row">
        {height && (
          <Button variant="outlined" onClick={() => onHeight(height.heightM)}>
            Use {formatQuantity("length", height.heightM, length)}
          </Button>
        )}
        {!known && (
          <Button variant="outlined" onClick={onPlaceAlone}>
            Only the place
          </Button>
        )}
        {known && (
          <Button variant="outlined" onClick={() => onPlace(known)}>
            It is {known.place}
            {known.elevationM !== undefined && `, ${formatQuantity("length", known.elevationM, length)}`}
          </Button>
        )}
      </div>
      {known && (
        <p className="quiet flush">
          {known.place}: read there on {dayTitle(known.at)},{" "}
          {formatQuantity("length", known.metresAway, length)} from here.
        </p>
      )}
    </>
  );
}

/** Where this is and how high, by satellites: known places are known again. */
export function Height() {
  const form = useFormContext<AirTexts>();
  const { header, present, preferences } = useRig();
  const { feed, state } = useFeed<Fix>();
  const airs = useMemo(
    () => present.lines.flatMap(({ entry, struck }) => (entry.kind === "air" && !struck ? [entry] : [])),
    [present],
  );
  const here = state.status === "off" ? undefined : hereOf(state.channels.get(1) ?? [], airs);
  const simulated = state.about?.simulated === true;
  const settle = (elevationM: number | undefined, place?: string) => {
    if (!here) return;
    const { fix } = here;
    form.setValue("elevationUnit", preferences.length);
    if (elevationM !== undefined)
      form.setValue("elevation", formatNumber("length", elevationM, preferences.length));
    if (place !== undefined) form.setValue("place", place);
    if (simulated && elevationM !== undefined)
      form.setValue("simulatedTexts", takenTexts(form.getValues(), ["elevation"]));
    // A made-up place is not remembered.
    form.setValue("latitude", simulated ? "" : String(fix.latitude));
    form.setValue("longitude", simulated ? "" : String(fix.longitude));
    form.setValue("satelliteHeightM", simulated || fix.heightM === undefined ? "" : String(fix.heightM));
    void form.trigger();
    void feed.stop();
  };
  return (
    <section className="stack tight" aria-label="Height by satellites">
      <h2 className="label flush">
        By satellites <SimulatedMark state={state} />
      </h2>
      <ConnectBar
        feed={feed}
        state={state}
        what="satellites"
        ways={[
          {
            text: "Height by satellites",
            device: () => new Satellites(),
            takes: { what: "satellites", there: hasSatellites() },
          },
          {
            text: "Simulated satellites",
            device: () =>
              new SimulatedSatellites(
                "stands",
                present.air?.elevationM ?? 100,
                seedOf(`${header.id} height`),
              ),
          },
        ]}
      />
      {here && (
        <HereWords
          here={here}
          onHeight={(heightM) => settle(heightM)}
          onPlace={(known) => settle(known.elevationM, known.place)}
          onPlaceAlone={() => settle(undefined)}
        />
      )}
      {here && !simulated && (
        <p className="quiet flush">
          The place is kept with the reading, to about {formatQuantity("length", 100, preferences.length)}. It
          leaves this device only in a file you export.
        </p>
      )}
    </section>
  );
}
