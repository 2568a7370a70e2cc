/** Parses column heads of a forecast: role and unit of each. */
import type { ForecastRole } from "./columns.ts";

/** What forecasts call things, the surest names first. */
const NAMES: readonly (readonly [ForecastRole, readonly RegExp[]])[] = [
  ["dewPoint", [/dew.?point|\bdewp?\b/i]],
  ["humidity", [/rel\w*.?hum|\brh\b|_rh\b/i, /humid|\bhum\b/i]],
  ["seaLevel", [/msl|slp|qff/i]],
  ["altimeter", [/qnh|altim/i]],
  ["seaLevel", [/sea.?level|reduced/i]],
  ["station", [/surface.?press|station.?press|press\w*.?(at.)?station|qfe|absolute.?press|^station\b/i]],
  ["seaLevel", [/press|barom|\bhpa\b|\bmbar\b|inhg|mmhg/i]],
  [
    "temperature",
    [/air.?temp|temp.*(?<!\d)2 ?m(?![a-z])|^t2m|\b2t\b/i, /temp|^t\b|°c|°f|celsius|fahrenheit/i],
  ],
  ["hour", [/^hours?\b|^hh\b|^clock|^time.of.day|^time\b.*\bhh/i]],
  ["time", [/date.?time|time.?stamp|valid|^dt\b/i, /date|\bday\b/i, /time|hour|stamp/i]],
];

/** Said of something else than the air itself, or of no single moment. */
const OTHERS =
  /feel|apparent|wind|gust|soil|ground|road|pavement|surface.?temp|skin|sunrise|sunset|water|sea.?temp|sst|rain|snow|issued|created|chance|prob|(?:\b|_)(?:max|min|mean|daily)(?:imum)?(?:\b|_)|wet.?bulb|humidex|heat.?index|chill|tendency|trend|change|delta|deficit|vapou?r|absolute.?hum|specific|mixing|moisture|spread|depression|cloud|visib|freez|\d{3} ?hpa|(?<!\d)(?:[3-9]|\d\d+) ?m\b|index|time.?zone/i;

/** Texts of a unit as heads and rows of units write them, without brackets and blanks. */
const UNIT_TEXTS: readonly (readonly [string, RegExp])[] = [
  ["°C", /^(°|º|deg(rees?)?_?)?(c|celsius|centigrade)$/i],
  ["°F", /^(°|º|deg(rees?)?_?)?(f|fahrenheit)$/i],
  ["K", /^(k|kelvins?)$/i],
  ["%", /^(%|percent|pct)$/i],
  ["0 to 1", /^(0-1|0\.\.1|fraction|1)$/i],
  ["hPa", /^(hpa|hectopascals?|mbar|mb|millibars?)$/i],
  ["kPa", /^(kpa|kilopascals?)$/i],
  ["inHg", /^(inhg|in\.?hg|inches)$/i],
  ["mmHg", /^(mmhg|torr|mm\.?hg)$/i],
  ["Pa", /^(pa|pascals?)$/i],
];

/** @returns the unit that a text is by itself, nothing for any other text */
export function unitNamed(text: string): string | undefined {
  const bare = text.replace(/[\s[\](){}]/g, "");
  return UNIT_TEXTS.find(([, as]) => as.test(bare))?.[0];
}

/**
 * The unit that a head names: in brackets, or as its last word. "of" is no Fahrenheit.
 * @returns nothing where it names none
 */
export function unitInHead(name: string): string | undefined {
  const bracketed = [...name.matchAll(/[[({]([^\])}]*)[\])}]/g)].map(([, inside = ""]) => inside);
  const last = name.split(/[\s_,;:/]+/).at(-1) ?? "";
  const words =
    name.match(/(°|º|deg_?) ?[CFK]\b|in\.? ?hg|mm ?hg|[hk]pa|fahrenheit|celsius|kelvin|percent|%/gi) ?? [];
  return [...bracketed, last, ...words].map(unitNamed).find((unit) => unit !== undefined);
}

/** Minutes east of Greenwich that a text names, such as "UTC+2", "GMT-03:30" or "Zulu"; nothing where it names none. */
export function zoneIn(text: string): number | undefined {
  const [all, sign, hours = "0", minutes = "0"] =
    /(?:utc|gmt|zulu)\s*(?:([+\-−])\s*(\d{1,2})(?::?(\d{2}))?)?/i.exec(text) ?? [];
  if (all === undefined) return undefined;
  const size = 60 * Number(hours) + Number(minutes);
  return size > 14 * 60 ? undefined : sign === "-" || sign === "−" ? -size : size;
}

/** A column that may be a role's, and how surely its head says so: 0 is surest. */
export interface HeadFound {
  readonly role: ForecastRole;
  readonly column: number;
  readonly rank: number;
}

/** @returns the roles that heads name, each with its surest column */
export function rolesOf(names: readonly string[]): readonly HeadFound[] {
  const found: HeadFound[] = [];
  names.forEach((name, column) => {
    if (OTHERS.test(name)) return;
    const at = NAMES.findIndex(([, words]) => words.some((one) => one.test(name)));
    const [role, words] = NAMES[at] ?? [];
    if (!role || !words) return;
    found.push({ role, column, rank: words.findIndex((one) => one.test(name)) });
  });
  const best = new Map<ForecastRole, HeadFound>();
  for (const one of found) {
    const known = best.get(one.role);
    if (!known || one.rank < known.rank) best.set(one.role, one);
  }
  return [...best.values()].sort((a, b) => a.column - b.column);
}
