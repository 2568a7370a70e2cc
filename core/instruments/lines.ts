/**
 * The lines of text that an instrument on a serial port speaks: a word, a channel where there are several, a
 * figure, a unit. `rpm 1480` · `vac 2 31.4 kPa`. An empty line or one that begins with # says nothing.
 */
import { toSI, UNITS } from "../units/quantity.ts";
import { DOMAIN, type Sample } from "./sample.ts";

export type LineRead =
  | { readonly kind: "sample"; readonly sample: Omit<Sample, "atMs"> }
  | { readonly kind: "silent" }
  | { readonly kind: "noise"; readonly why: string };

const LONGEST = 120;
const FIGURE = /^[+-]?\d{1,7}([.,]\d{1,6})?$/;
const VACUUM_UNITS = Object.keys(UNITS.vacuum) as (keyof typeof UNITS.vacuum)[];

const noise = (why: string): LineRead => ({ kind: "noise", why });

function sampleOf(quantity: Sample["quantity"], channel: number, value: number): LineRead {
  const { min, max } = DOMAIN[quantity];
  if (!(value >= min && value <= max))
    return noise(`${quantity} ${Math.round(value)} is out of any engine's range`);
  return { kind: "sample", sample: { quantity, channel, value } };
}

const figure = (text: string | undefined): number =>
  text !== undefined && FIGURE.test(text) ? Number(text.replace(",", ".")) : NaN;

function vacuum(channelText: string | undefined, figureText: string | undefined, unitText = "kPa"): LineRead {
  const channel = figure(channelText);
  const shown = figure(figureText);
  const unit = VACUUM_UNITS.find((known) => known.toLowerCase() === unitText.toLowerCase());
  if (!(Number.isInteger(channel) && channel >= 1 && channel <= 6))
    return noise("vac must name a gauge from 1 to 6");
  if (Number.isNaN(shown) || unit === undefined)
    return noise("vac must end in a figure and a unit of pressure");
  return sampleOf("depression", channel, toSI("vacuum", shown, unit));
}

/** @returns what a line says, or why it says nothing that can be used; never throws */
export function readLine(line: string): LineRead {
  if (line.length > LONGEST) return noise("the line does not end");
  const words = line.trim().split(/\s+/);
  const [head = "", ...rest] = words;
  if (head === "" || head.startsWith("#")) return { kind: "silent" };
  if (head.toLowerCase() === "rpm" && rest.length === 1) {
    const rpm = figure(rest[0]);
    return Number.isNaN(rpm) ? noise("rpm must be followed by a figure") : sampleOf("rpm", 1, rpm);
  }
  if (head.toLowerCase() === "vac" && (rest.length === 2 || rest.length === 3))
    return vacuum(...(rest as [string, string]));
  return noise("a line begins with rpm or vac");
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
  read(chunk: string): Omit<Sample, "atMs">[] {
    const lines = (this.rest + chunk).split(/\r\n|\n|\r/);
    this.rest = (lines.pop() ?? "").slice(0, LONGEST + 1);
    const found: Omit<Sample, "atMs">[] = [];
    for (const line of this.rest.length > LONGEST ? [...lines, this.rest] : lines) {
      const read = readLine(line);
      if (read.kind === "sample") found.push(read.sample);
      if (read.kind === "silent") continue;
      this.recent.push(read.kind === "noise");
      if (this.recent.length > REMEMBERED) this.recent.shift();
      if (read.kind === "noise" && this.recent.filter(Boolean).length >= MOST_NOISE)
        throw new RangeError(`lines must read like "rpm 1480" or "vac 2 31.4 kPa", got noise: ${read.why}`);
    }
    if (this.rest.length > LONGEST) this.rest = "";
    return found;
  }
}
