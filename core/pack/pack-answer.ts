/** Pack list of an event, and jets needed over a year at a place. */
import type { HumidAir } from "../air/humid-air.ts";
import type { Case } from "../advice/judge/case.ts";
import { airSource } from "../day/air-source.ts";
import { placeKey } from "../log/day-schema.ts";
import { airsRead } from "../log/airs-read.ts";
import { seededRandom } from "../numbers/random.ts";
import type { PackAsked } from "./asked.ts";
import { airsAhead, airsBetween } from "./airs.ts";
import { packList, type PackList } from "./pack-list.ts";
import { seasonAt, type MonthOfAir } from "./season.ts";

const DRAWS = 2000;
const AIRS = 24;
const MOMENTS = 24;
const SEED = 2909;

function airsOf(open: Case, asked: PackAsked): readonly HumidAir[] {
  const random = seededRandom(SEED);
  if (asked.kind === "range") return airsBetween(asked, AIRS, random);
  if (asked.kind === "month")
    return (
      monthsAt(open, asked.place, asked.elevationM).find(({ month }) => month === asked.month)?.airs ?? []
    );
  const [fromMs, toMs] = [Date.parse(asked.fromAt), Date.parse(asked.toAt)];
  if (!(toMs >= fromMs))
    throw new RangeError(`event must end after it begins, got ${asked.fromAt} to ${asked.toAt}`);
  const { airAt } = airSource(open.present, open.build, { elevationM: asked.elevationM, fromMs, toMs });
  const moments = Array.from({ length: MOMENTS }, (_, i) =>
    airAt(fromMs + ((i + 0.5) / MOMENTS) * (toMs - fromMs), asked.elevationM),
  );
  return airsAhead(moments, AIRS, random);
}

/** @throws {RangeError} for a range the wrong way round */
export const packAnswer = (open: Case, asked: PackAsked, carburettor = 0): PackList =>
  packList(open, airsOf(open, asked), DRAWS, carburettor);

function monthsAt({ present }: Case, place: string, elevationM: number): MonthOfAir[] {
  const climate = present.ahead.climates.findLast((one) => placeKey(one.place) === placeKey(place));
  return seasonAt({ name: place, elevationM }, airsRead(present), climate?.months ?? []);
}

export interface SeasonMonth extends Omit<MonthOfAir, "airs"> {
  readonly list: PackList;
  /** dry air of the tenth and the ninetieth of a hundred days, and of the fiftieth */
  readonly dry: { readonly low: number; readonly middle: number; readonly high: number };
}

/** Twelve lists: fewer draws each. */
const SEASON_DRAWS = 400;

/** @throws {RangeError} for a height no wheel can reach */
export function seasonAnswer(open: Case, place: string, elevationM: number, carburettor = 0): SeasonMonth[] {
  return monthsAt(open, place, elevationM).map(({ airs, ...month }) => {
    const dry = airs.map(({ dryDensityKgM3 }) => dryDensityKgM3).sort((a, b) => a - b);
    const at = (share: number) => dry[Math.round(share * (dry.length - 1))] ?? Number.NaN;
    return {
      ...month,
      list: packList(open, airs, SEASON_DRAWS, carburettor),
      dry: { low: at(0.1), middle: at(0.5), high: at(0.9) },
    };
  });
}
