/** How it pulled, zone by zone: a tap each, big enough for gloves. */
import { ZONES, type PerZone, type Zone } from "#core/carburettor/zones.ts";
import type { Felt } from "#core/log/readings/ride-report.ts";
import { Choice } from "#app/ui/Choice.tsx";
import { FEELS, rideZoneLabel, TOLD_OPTIONS } from "#app/vocabulary/ride.ts";
import { ZONE_NAMES } from "#app/vocabulary/parts.ts";

export type Told = Felt | "unused";
export type ToldRide = PerZone<Told>;
export const NOTHING_TOLD: ToldRide = { idle: "unused", low: "unused", mid: "unused", top: "unused" };

interface FeltRowsProps {
  readonly told: ToldRide;
  readonly onTold: (zone: Zone, told: Told) => void;
}

export function FeltRows({ told, onTold }: FeltRowsProps) {
  return (
    <>
      {ZONES.map((zone) => (
        <Choice
          key={zone}
          label={rideZoneLabel(zone)}
          value={told[zone]}
          options={TOLD_OPTIONS}
          onChange={(next) => onTold(zone, next)}
        />
      ))}
      <details className="protocol">
        <summary>What do rich and lean feel like?</summary>
        <dl className="flush">
          {ZONES.map((zone) => (
            <div key={zone}>
              <dt className="label">{ZONE_NAMES[zone]}</dt>
              <dd className="flush">Rich: {FEELS[zone].rich}.</dd>
              <dd className="flush">Lean: {FEELS[zone].lean}.</dd>
            </div>
          ))}
        </dl>
      </details>
    </>
  );
}
