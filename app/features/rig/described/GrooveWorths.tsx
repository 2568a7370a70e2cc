import { zoneMixture } from "#core/belief/mixture.ts";
import { frameOf } from "#core/belief/frame.ts";
import { ZONES } from "#core/carburettor/zones.ts";
import type { Build, Setting } from "#core/log/schema.ts";
import { humidAirFromLog, settingFromLog } from "#core/rig/from-build.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { partValue, shiftWords, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

/** A shift too small to feel is left out of the table. */
const LEAST = 0.001;

interface Row {
  readonly name: string;
  readonly fitted: boolean;
  readonly setting: Setting;
}

function rowsOf(build: Build, fitted: Setting): Row[] {
  const grooves = Array.from({ length: build.carburettor.needle.grooves }, (_, i) => i + 1);
  return [
    ...grooves.map((clip) => ({
      name: `${partValue("clip", clip)} groove`,
      fitted: clip === fitted.clip,
      setting: { ...fitted, clip },
    })),
    ...build.box.shimsMm.map((shimMm) => ({
      name: `shim ${shimMm} mm`,
      fitted: shimMm === fitted.shimMm,
      setting: { ...fitted, shimMm },
    })),
  ];
}

/** What each groove is worth here, from this needle in this jet: computed, not assumed. */
export function GrooveWorths() {
  const { build, fitted, present, advice } = useRig();
  const taught = advice?.worths.find(({ part, learnt }) => part === "clip" && learnt);
  const factor = taught?.factor ?? 1;
  const frame = frameOf(build);
  const at = zoneMixture(frame, build, present.air ? humidAirFromLog(present.air) : frame.air);
  const now = at(settingFromLog(fitted));
  return (
    <div className="scroll-x">
      <table className="figures">
        <caption className="label">What each groove does, against what is fitted</caption>
        <thead>
          <tr>
            <th scope="col">Needle</th>
            {ZONES.map((zone) => (
              <th key={zone} scope="col">
                {ZONE_NAMES[zone]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rowsOf(build, fitted).map(({ name, fitted: on, setting }) => {
            const then = at(settingFromLog(setting));
            return (
              <tr key={name} className={on ? "chosen" : ""}>
                <th scope="row">
                  {name}
                  {on && <small className="quiet"> fitted</small>}
                </th>
                {ZONES.map((zone) => {
                  const shift = factor * (then[zone].shift - now[zone].shift);
                  return <td key={zone}>{Math.abs(shift) < LEAST ? "–" : shiftWords(shift)}</td>;
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
      {taught && (
        <p className="quiet">
          This engine’s own changes say that a groove is worth {fixed(factor, 1)} times what the measures say
          {taught.notAsMeasured ? ": so much that the needle wants measuring again" : ""}. The table has it
          in.
        </p>
      )}
    </div>
  );
}
