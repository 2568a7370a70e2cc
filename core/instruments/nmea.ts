/**
 * Parses weather sentences of NMEA 0183: `XDR` (transducers, in fours: kind, figure, unit, name) and `MDA`
 * (meteorological composite). Any other sentence that is whole says nothing of the air. Units: C, H or P per cent,
 * B bar, P pascal.
 */
import { ZERO_CELSIUS_K } from "../air/saturation-vapour-pressure.ts";
import { AIR_CHANNELS, figure, noise, saidOf, SILENT, type LineRead, type Said } from "./line-read.ts";

const temperature = (celsius: number): Said => ({
  quantity: "temperature",
  channel: AIR_CHANNELS.temperature,
  value: celsius + ZERO_CELSIUS_K,
});
const humidity = (percent: number): Said => ({
  quantity: "humidity",
  channel: AIR_CHANNELS.humidity,
  value: percent / 100,
});
const pressure = (pascals: number): Said => ({
  quantity: "pressure",
  channel: AIR_CHANNELS.pressure,
  value: pascals,
});

const BAR_PA = 100_000;

/** @returns what one transducer measured of the air; nothing for angles, currents, other units, empty figures */
function transducer(kind: string, value: number, unit: string): Said | undefined {
  if (Number.isNaN(value)) return undefined;
  if (kind === "C" && unit === "C") return temperature(value);
  if (kind === "H" && (unit === "P" || unit === "")) return humidity(value);
  if (kind === "P" && unit === "B") return pressure(value * BAR_PA);
  if (kind === "P" && unit === "P") return pressure(value);
  return undefined;
}

function transducers(fields: readonly string[]): Said[] {
  const found: Said[] = [];
  for (let i = 0; i + 2 < fields.length; i += 4) {
    const said = transducer(fields[i] ?? "", figure(fields[i + 1]), fields[i + 2] ?? "");
    // Several of a kind: the first is the air's, as the standard lists them.
    if (said && !found.some(({ quantity }) => quantity === said.quantity)) found.push(said);
  }
  return found;
}

/** Inches of mercury, I; bar, B; air, C; water, C; relative humidity; absolute; dew point, C; wind. */
function composite(fields: readonly string[]): Said[] {
  const at = (place: number, unit: string) =>
    fields[place + 1] === unit ? figure(fields[place]) : Number.NaN;
  const [bar, celsius, percent] = [at(2, "B"), at(4, "C"), figure(fields[8])];
  return [
    ...(Number.isNaN(celsius) ? [] : [temperature(celsius)]),
    ...(Number.isNaN(percent) ? [] : [humidity(percent)]),
    ...(Number.isNaN(bar) ? [] : [pressure(bar * BAR_PA)]),
  ];
}

const WHOLE = /^\$([A-Z]{2})([A-Z]{3}),([^*$]*)\*([0-9A-F]{2})$/i;

/** @returns the exclusive or of all between `$` and `*`, as two signs */
export const checksum = (body: string): string =>
  [...body]
    .reduce((sum, sign) => sum ^ sign.charCodeAt(0), 0)
    .toString(16)
    .toUpperCase()
    .padStart(2, "0");

/** @param sentence - one line that begins with $; without its checksum it is not believed */
export function readSentence(sentence: string): LineRead {
  const whole = WHOLE.exec(sentence);
  if (!whole) return noise("a sentence must end in * and its checksum");
  const [, talker = "", kind = "", body = "", sum = ""] = whole;
  if (checksum(`${talker}${kind},${body}`) !== sum.toUpperCase())
    return noise("the checksum of a sentence is wrong");
  const fields = body.split(",");
  if (kind.toUpperCase() === "XDR") return saidOf(...transducers(fields));
  if (kind.toUpperCase() === "MDA") return saidOf(...composite(fields));
  return SILENT;
}
