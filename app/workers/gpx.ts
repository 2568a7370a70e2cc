/** The tracks of a GPX file, point by point as it is read: of a hundred thousand points nothing else is kept. */
import { SaxesParser } from "saxes";
import { wayOf, type Track, type TrackPoint, type Way } from "#core/route/track.ts";
import type { Answer } from "./protocol.ts";
import { encodingOf, headOf } from "./text-file.ts";

const LARGEST_BYTES = 100 * 1024 * 1024;
const MOST_POINTS = 1_000_000;
const MOST_TRACKS = 50;

const failed = (message: string): Answer<never> => ({ ok: false, name: "GpxError", message });

/** A track, and what can be ridden of it. */
export interface TrackRead {
  readonly name: string;
  readonly points: number;
  readonly way?: Way;
  /** why there is none, in words */
  readonly problem?: string;
}

function trackRead({ name, points }: Track, speedMs: number): TrackRead {
  try {
    return { name, points: points.length, way: wayOf({ name, points }, speedMs) };
  } catch (error) {
    if (error instanceof RangeError) return { name, points: points.length, problem: error.message };
    throw error;
  }
}

type Making<T> = { -readonly [K in keyof T]: T[K] };

/** Elements whose words are read. */
const WORDS = new Set(["ele", "time", "name"]);

/** Segments of one track follow one another; routes are tracks without times. */
class Reading {
  readonly tracks: { name: string; points: TrackPoint[] }[] = [];
  private point: Making<TrackPoint> | undefined;
  private text = "";
  private listens = false;
  private points = 0;
  private root = "";

  open(name: string, attributes: Readonly<Record<string, string>>): void {
    if (this.root === "") this.root = name;
    this.text = "";
    this.listens = WORDS.has(name);
    if (name === "trk" || name === "rte") this.tracks.push({ name: "", points: [] });
    if (name !== "trkpt" && name !== "rtept") return;
    const [latitude, longitude] = [Number(attributes["lat"] ?? "x"), Number(attributes["lon"] ?? "x")];
    this.point =
      Number.isFinite(latitude) && Number.isFinite(longitude) ? { latitude, longitude } : undefined;
  }

  add(text: string): void {
    if (this.listens) this.text += text;
  }

  close(name: string): void {
    const track = this.tracks.at(-1);
    this.listens = false;
    if (this.point && name === "ele" && this.text.trim() !== "") {
      const elevationM = Number(this.text);
      if (Number.isFinite(elevationM)) this.point.elevationM = elevationM;
    }
    if (this.point && name === "time") {
      const ms = Date.parse(this.text.trim());
      if (Number.isFinite(ms)) this.point.ms = ms;
    }
    if (!this.point && track && name === "name" && track.name === "")
      track.name = this.text.trim().slice(0, 60);
    if (name !== "trkpt" && name !== "rtept") return;
    if (track && this.point) {
      track.points.push(this.point);
      this.points += 1;
      if (this.points > MOST_POINTS)
        throw new RangeError("This file has over a million points. Export one ride.");
    }
    this.point = undefined;
  }

  get isGpx(): boolean {
    return this.root === "gpx";
  }
}

/**
 * @param speedMs - of tracks without times, 0.5..60 m/s
 * @returns every track and route with two points or more, or words why there are none
 */
export async function readGpx(file: Blob, speedMs: number): Promise<Answer<readonly TrackRead[]>> {
  if (file.size === 0) return failed("This file is empty.");
  if (file.size > LARGEST_BYTES) return failed("This file is over 100 MB. Export one ride.");
  const encoding = encodingOf(await headOf(file));
  if (!encoding) return failed("This is no text file. Choose a GPX.");
  const text = new TextDecoder(encoding).decode(await file.arrayBuffer());
  const reading = new Reading();
  const parser = new SaxesParser();
  // A prefix of its namespace says nothing of what an element is.
  const plain = (name: string) => name.slice(name.indexOf(":") + 1);
  parser.on("opentag", ({ name, attributes }) => reading.open(plain(name), attributes));
  parser.on("text", (words) => reading.add(words));
  parser.on("closetag", ({ name }) => reading.close(plain(name)));
  parser.on("error", (error) => {
    throw new SyntaxError(error.message);
  });
  try {
    parser.write(text).close();
  } catch (error) {
    if (error instanceof RangeError) return failed(error.message);
    if (error instanceof SyntaxError)
      return failed(`This GPX breaks off or is damaged at ${error.message.slice(0, 80)}. Export it again.`);
    throw error;
  }
  const tracks = reading.tracks.filter(({ points }) => points.length > 1).slice(0, MOST_TRACKS);
  if (!reading.isGpx) return failed("This is no GPX file.");
  if (tracks.length === 0) return failed("There is no track and no route in this file.");
  return {
    ok: true,
    value: tracks.map(({ name, points }, i) =>
      trackRead({ name: name === "" ? `Track ${i + 1}` : name, points }, speedMs),
    ),
  };
}
