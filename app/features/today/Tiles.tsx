import type { Advice } from "#core/advice/card/advise.ts";
import { fromSI } from "#core/units/quantity.ts";
import { useNow } from "#app/ui/use-now.ts";
import { agoWords } from "#app/vocabulary/days.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

/** Air older than this is read again before a heat. */
const FRESH_MINUTES = 60;

/** To the nearest ten: no reading of the air tells more. */
const heightWords = (metres: number, unit: Preferences["length"]): string =>
  `${10 * Math.round(fromSI("length", metres, unit) / 10)} ${unit}`;

interface TilesProps {
  readonly advice: Advice;
  readonly airAt: string | undefined;
  readonly length: Preferences["length"];
}

/** What the air is worth, in four figures. */
export function Tiles({ advice, airAt, length }: TilesProps) {
  const now = new Date(useNow());
  const { relativeDryDensity, densityAltitudeM, powerLeft } = advice.air;
  const old = airAt === undefined || now.getTime() - Date.parse(airAt) > FRESH_MINUTES * 60_000;
  return (
    <div className="tiles">
      <div>
        <span className="label">Air that burns</span>
        <strong>{fixed(100 * relativeDryDensity, 1)} %</strong>
        <small>of the day it was right</small>
      </div>
      <div>
        <span className="label">Feels like</span>
        <strong>{heightWords(densityAltitudeM, length)}</strong>
        <small>density altitude</small>
      </div>
      <div>
        <span className="label">Power left</span>
        <strong>{fixed(100 * powerLeft, 0)} %</strong>
        <small>of rated</small>
      </div>
      <div>
        <span className="label">Last air</span>
        <strong>{airAt === undefined ? "none" : agoWords(airAt, now)}</strong>
        <small>{old ? "read again before the next heat" : "fresh"}</small>
      </div>
    </div>
  );
}
