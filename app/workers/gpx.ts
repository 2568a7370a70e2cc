/** The tracks of a GPX file, point by point as it is read: of a hundred thousand points nothing else is kept. */
import { SaxesParser } from "saxes";
import { wayOf, type Track, type TrackAnswers, type TrackPoint, type Way } from "#core/route/track.ts";
import type { Answer } from "./protocol.ts";
import { openText, type TextWanted } from "./text-file.ts";

const WANTED: TextWanted = {
  largestBytes: 100 * 1024 * 1024,
  tooLarge: "This file is over 100 MB. Export one ride.",
  instead: "Choose a GPX.",
};
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

function trackRead({ name, segments }: Track, speedMs: number, answers: TrackAnswers): TrackRead {
  const points = pointsIn(segments);
  try {
    return { name, points, way: wayOf({ name, segments }, speedMs, answers) };
  } catch (error) {
    if (error instanceof RangeError) return { name, points, problem: error.message };
    throw error;
  }
}

const pointsIn = (segments: Track["segments"]): number =>
  segments.reduce((sum, { length }) => sum + length, 0);

type Making<T> = { -readonly [K in keyof T]: T[K] };
type Attributes = Readonly<Record<string, string>>;

/** What stands inside what, from the root down: an element of the same name anywhere else is somebody else's. */
const POINTS: ReadonlySet<string> = new Set(["gpx/trk/trkseg/trkpt", "gpx/trk/trkpt", "gpx/rte/rtept"]);
const TRACKS: ReadonlySet<string> = new Set(["gpx/trk", "gpx/rte"]);

/** Segments of one track follow one another; routes are tracks without times. */
class Reading {
  readonly tracks: { name: string; segments: TrackPoint[][] }[] = [];
  private readonly paths: string[] = [];
  private rootPrefix = "";
  private rootSpace: string | undefined;
  private point: Making<TrackPoint> | undefined;
  private text = "";
  private listens = false;
  private points = 0;

  /** A prefix of its own namespace says nothing of what an element is; another namespace makes it another's. */
  private plain(name: string, attributes: Attributes): string {
    const colon = name.indexOf(":");
    const prefix = name.slice(0, Math.max(0, colon));
    const space = attributes["xmlns"];
    if (this.paths.length === 0) [this.rootPrefix, this.rootSpace] = [prefix, space];
    const own = prefix === this.rootPrefix && (space === undefined || space === this.rootSpace);
    return own ? name.slice(colon + 1) : `?${name}`;
  }

  open(name: string, attributes: Attributes): void {
    const inside = this.paths.at(-1);
    const plain = this.plain(name, attributes);
    const path = inside === undefined ? plain : `${inside}/${plain}`;
    this.paths.push(path);
    this.text = "";
    const ofPoint = (plain === "ele" || plain === "time") && inside !== undefined && POINTS.has(inside);
    this.listens = ofPoint || (plain === "name" && inside !== undefined && TRACKS.has(inside));
    if (TRACKS.has(path)) this.tracks.push({ name: "", segments: [[]] });
    if (path === "gpx/trk/trkseg") this.tracks.at(-1)?.segments.push([]);
    if (!POINTS.has(path)) return;
    const [latitude, longitude] = [Number(attributes["lat"] ?? "x"), Number(attributes["lon"] ?? "x")];
    this.point =
      Number.isFinite(latitude) && Number.isFinite(longitude) ? { latitude, longitude } : undefined;
  }

  add(text: string): void {
    if (this.listens) this.text += text;
  }

  close(): void {
    const path = this.paths.pop() ?? "";
    if (this.listens) this.take(path.slice(path.lastIndexOf("/") + 1), this.text.trim());
    this.listens = false;
    if (!POINTS.has(path)) return;
    if (this.point) {
      this.tracks.at(-1)?.segments.at(-1)?.push(this.point);
      this.points += 1;
      if (this.points > MOST_POINTS)
        throw new RangeError("This file has over a million points. Export one ride.");
    }
    this.point = undefined;
  }

  private take(name: string, words: string): void {
    const track = this.tracks.at(-1);
    if (name === "name" && track?.name === "") track.name = words.slice(0, 60);
    if (!this.point || words === "") return;
    if (name === "ele" && Number.isFinite(Number(words))) this.point.elevationM = Number(words);
    if (name === "time" && Number.isFinite(Date.parse(words))) this.point.ms = Date.parse(words);
  }
}

/**
 * @param speedMs - of tracks without times, 0.5..60 m/s
 * @returns every track and route with two points or more, or words why there are none
 */
export async function readGpx(
  file: Blob,
  speedMs: number,
  answers: TrackAnswers = {},
): Promise<Answer<readonly TrackRead[]>> {
  const opened = await openText(file, WANTED);
  if ("problem" in opened) return failed(opened.problem);
  const text = new TextDecoder(opened.encoding).decode(await file.arrayBuffer());
  const reading = new Reading();
  const parser = new SaxesParser();
  let root = "";
  parser.on("opentag", ({ name, attributes }) => {
    if (root === "") root = name.slice(name.indexOf(":") + 1);
    reading.open(name, attributes);
  });
  parser.on("text", (words) => reading.add(words));
  parser.on("cdata", (words) => reading.add(words));
  parser.on("closetag", () => reading.close());
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
  const tracks = reading.tracks.filter(({ segments }) => pointsIn(segments) > 1).slice(0, MOST_TRACKS);
  if (root !== "gpx") return failed("This is no GPX file.");
  if (tracks.length === 0) return failed("There is no track and no route in this file.");
  return {
    ok: true,
    value: tracks.map(({ name, segments }, i) =>
      trackRead({ name: name === "" ? `Track ${i + 1}` : name, segments }, speedMs, answers),
    ),
  };
}
