/**
 * Parses the text lines of serial instruments: `rpm 1480` · `vac 2 31.4 kPa` · `air,24.5,56,988.2` · `lambda 0.874`
 * · `afr 12.8 e85` · weather sentences of NMEA 0183. An empty line or one that begins with # says nothing.
 */
import { FUELS, petrolWith, type Fuel } from "../carburettor/fuel.ts";
import { ZERO_CELSIUS_K } from "../air/saturation-vapour-pressure.ts";
import { toSI, UNITS } from "../units/quantity.ts";
import { AIR_CHANNELS, figure, noise, saidOf, SILENT, type LineRead, type Said } from "./line-read.ts";
import { readSentence } from "./nmea.ts";

const LONGEST = 120;
const VACUUM_UNITS = Object.keys(UNITS.vacuum) as (keyof typeof UNITS.vacuum)[];

function speed(words: readonly string[]): LineRead {
  const rpm = words.length === 1 ? figure(words[0]) : NaN;
  return Number.isNaN(rpm)
    ? noise("rpm must be followed by a figure")
    : saidOf({ quantity: "rpm", channel: 1, value: rpm });
}

function vacuum([channelText, figureText, unitText = "kPa", ...more]: readonly string[]): LineRead {
  const channel = figure(channelText);
  const shown = figure(figureText);
  const unit = VACUUM_UNITS.find((known) => known.toLowerCase() === unitText.toLowerCase());
  if (!(Number.isInteger(channel) && channel >= 1 && channel <= 6))
    return noise("vac must name a gauge from 1 to 6");
  if (Number.isNaN(shown) || unit === undefined || more.length > 0)
    return noise("vac must end in a figure and a unit of pressure");
  return saidOf({ quantity: "depression", channel, value: toSI("vacuum", shown, unit) });
}

/** °C, %, hPa as a station of its own makes them; a figure that it does not have stays empty. */
function air(fields: readonly string[]): LineRead {
  const WANTED = "air must be followed by °C, % and hPa";
  if (fields.length !== 3) return noise(WANTED);
  const said: Said[] = [];
  for (const [i, quantity] of (["temperature", "humidity", "pressure"] as const).entries()) {
    const text = fields[i]?.trim() ?? "";
    if (text === "") continue;
    const shown = figure(text);
    if (Number.isNaN(shown)) return noise(WANTED);
    const value = { temperature: shown + ZERO_CELSIUS_K, humidity: shown / 100, pressure: 100 * shown }[
      quantity
    ];
    said.push({ quantity, channel: AIR_CHANNELS[quantity], value });
  }
  return saidOf(...said);
}

/** Fuels as meters name them. */
const METER_FUELS: Readonly<Record<string, Fuel>> = {
  ...FUELS,
  "petrol-e10": petrolWith(10),
  e85: petrolWith(85),
};
/** What a meter multiplies λ by where it names no fuel: the petrol of its maker's book. */
const USUAL_RATIO = 14.7;

function mixture(head: "lambda" | "afr", [figureText, fuel, ...more]: readonly string[]): LineRead {
  const shown = figure(figureText);
  const known = Object.entries(METER_FUELS).find(([name]) => name === fuel?.toLowerCase())?.[1];
  if (Number.isNaN(shown) || more.length > 0 || (fuel !== undefined && (head === "lambda" || !known)))
    return noise(
      head === "lambda"
        ? "lambda must be followed by a figure"
        : "afr must be followed by a figure and a fuel",
    );
  const ratio = known?.stoichiometric ?? USUAL_RATIO;
  return saidOf({ quantity: "lambda", channel: 1, value: head === "lambda" ? shown : shown / ratio });
}

/** @returns what a line says, or why it says nothing that can be used; never throws */
export function readLine(line: string): LineRead {
  if (line.length > LONGEST) return noise("the line does not end");
  const text = line.trim();
  if (text === "" || text.startsWith("#")) return SILENT;
  if (text.startsWith("$")) return readSentence(text);
  const [head = "", ...words] = text.split(/\s+/);
  switch (head.toLowerCase()) {
    case "rpm":
      return speed(words);
    case "vac":
      return vacuum(words);
    case "lambda":
    case "afr":
      return mixture(head.toLowerCase() === "afr" ? "afr" : "lambda", words);
  }
  if (/^air\s*[,;]/i.test(text)) return air(text.split(text.includes(";") ? ";" : ",").slice(1));
  return noise("a line begins with rpm, vac, air, lambda, afr or $");
}

/** So many unreadable lines among the last, and it is not one of ours, or the speed of the port is wrong. */
const MOST_NOISE = 20;
const REMEMBERED = 40;

/** Cuts a stream of text into lines, and notices when they are babble. Keeps no more than one line. */
export class LineReader {
  private rest = "";
  private readonly recent: boolean[] = [];

  /**
   * @param chunk - as it came off the port, any length
   * @throws {RangeError} once most of what comes cannot be read
   */
  read(chunk: string): Said[] {
    const lines = (this.rest + chunk).split(/\r\n|\n|\r/);
    this.rest = (lines.pop() ?? "").slice(0, LONGEST + 1);
    const found: Said[] = [];
    for (const line of this.rest.length > LONGEST ? [...lines, this.rest] : lines) {
      const read = readLine(line);
      if (read.kind === "samples") found.push(...read.samples);
      if (read.kind === "silent") continue;
      this.recent.push(read.kind === "noise");
      if (this.recent.length > REMEMBERED) this.recent.shift();
      if (read.kind === "noise" && this.recent.filter(Boolean).length >= MOST_NOISE)
        throw new RangeError(
          `lines must read like "rpm 1480", "vac 2 31.4 kPa" or "air,24.5,56,988.2", got noise: ${read.why}`,
        );
    }
    if (this.rest.length > LONGEST) this.rest = "";
    return found;
  }
}
