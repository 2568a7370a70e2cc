import type { Advice } from "#core/advice/card/advise.ts";
import { useNow } from "#app/ui/use-now.ts";
import { agoWords } from "#app/vocabulary/days.ts";

/** Air older than this is read again before a heat. */
const FRESH_MINUTES = 60;

/** What the air is worth, in four figures. */
export function Tiles({ advice, airAt }: { advice: Advice; airAt: string | undefined }) {
  const now = new Date(useNow());
  const { relativeDryDensity, densityAltitudeM, powerLeft } = advice.air;
  const old = airAt === undefined || now.getTime() - Date.parse(airAt) > FRESH_MINUTES * 60_000;
  return (
    <div className="tiles">
      <div>
        <span className="label">Air that burns</span>
        <strong>{(100 * relativeDryDensity).toFixed(1)} %</strong>
        <small>of the baseline’s day</small>
      </div>
      <div>
        <span className="label">Feels like</span>
        <strong>{(10 * Math.round(densityAltitudeM / 10)).toFixed(0)} m</strong>
        <small>density altitude</small>
      </div>
      <div>
        <span className="label">Power left</span>
        <strong>{(100 * powerLeft).toFixed(0)} %</strong>
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
