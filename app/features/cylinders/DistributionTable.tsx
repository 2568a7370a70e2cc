import clsx from "clsx";
import css from "./cylinders.module.css";
import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import { zonesOf } from "#core/log/readings/reading.ts";
import type { CylinderReport } from "#core/advice/judge/departures.ts";
import { ToneDot } from "#app/ui/ToneDot.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { mixtureWords, sizeWords, ZONE_NAMES } from "#app/vocabulary/parts.ts";

/** Against its neighbours: named only where it is worth a word. */
function against(departure: number): string {
  if (Math.abs(departure) < 0.015) return "as the rest";
  return `${sizeWords(Math.abs(100 * departure))} ${departure > 0 ? "leaner" : "richer"} than the rest`;
}

/** Every cylinder beside the others: what is believed, from what, and how far it departs. */
export function DistributionTable({ cylinders }: { cylinders: readonly CylinderReport[] }) {
  const { present } = useRig();
  const lastTone = (cylinder: number, zone: Zone) => {
    const look = present.looks.findLast(
      ({ entry }) => entry.cylinder === cylinder && zonesOf(entry.reading).includes(zone),
    );
    return look?.entry.reading.type === "plug" ? look.entry.reading.tone : undefined;
  };
  return (
    <div className="scroll-x" tabIndex={0} role="region" aria-label="Cylinders side by side">
      <table className={clsx("figures", css["side-by-side"])}>
        <caption className="label">As believed now, with what is fitted</caption>
        <thead>
          <tr>
            <th scope="col">Zone</th>
            {cylinders.map(({ cylinder, carburettor }) => (
              <th key={cylinder} scope="col">
                Cylinder {cylinder}
                <small className="quiet"> carburettor {carburettor}</small>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ZONES.map((zone) => (
            <tr key={zone}>
              <th scope="row">{ZONE_NAMES[zone]}</th>
              {cylinders.map(({ cylinder, zones }) => {
                const { mean, departure, looks } = zones[zone];
                const tone = lastTone(cylinder, zone);
                return (
                  <td key={cylinder}>
                    {tone && <ToneDot tone={tone} />} {mixtureWords(mean)}
                    <small className="quiet">
                      {against(departure.mean)}
                      {looks > 0 && ` · ${looks} ${looks === 1 ? "look" : "looks"}`}
                    </small>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
