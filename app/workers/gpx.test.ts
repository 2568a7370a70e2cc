/** @jest-environment node */
import { seededRandom } from "#core/numbers/random.ts";
import { DEMO_COL, drawTrack, gpxOf } from "#core/simulator/mountain-track.ts";
import { readGpx, type TrackRead } from "./gpx.ts";
import { readTable } from "./tables.ts";

const START = Date.UTC(2026, 4, 24, 7);
const ride = gpxOf(DEMO_COL.name, drawTrack(DEMO_COL, START, seededRandom(3)));
const inGpx = (body: string) => `<?xml version="1.0"?><gpx version="1.1">${body}</gpx>`;
const point = (i: number, more = "<ele>400</ele>") => `<trkpt lat="${i * 1e-3}" lon="0">${more}</trkpt>`;
const track = (name: string, count: number, more?: string) =>
  `<trk><name>${name}</name><trkseg>${Array.from({ length: count }, (_, i) => point(i, more)).join("")}</trkseg></trk>`;

async function tracksOf(text: string, speedMs = 10): Promise<readonly TrackRead[]> {
  const answer = await readGpx(new Blob([text]), speedMs);
  if (!answer.ok) throw new Error(answer.message);
  return answer.value;
}
async function wordsAgainst(text: string | Blob): Promise<string> {
  const answer = await readGpx(typeof text === "string" ? new Blob([text]) : text, 10);
  return answer.ok ? "" : answer.message;
}

describe("a receiver's file", () => {
  it("becomes a way: the simulated ride up the col, its spikes passed over, its stop not counted", async () => {
    const [found] = await tracksOf(ride);
    expect(found?.name).toBe("Col de la Brume");
    const { way } = found ?? {};
    expect((way?.lengthM ?? 0) / DEMO_COL.lengthM).toBeCloseTo(1, 2);
    const heights = way?.points.map(({ elevationM }) => elevationM) ?? [];
    expect(Math.abs(Math.min(...heights) - DEMO_COL.bottomM)).toBeLessThan(30);
    expect(Math.abs(Math.max(...heights) - DEMO_COL.topM)).toBeLessThan(40);
    expect((way?.seconds ?? 0) / (DEMO_COL.lengthM / DEMO_COL.averageMs)).toBeCloseTo(1, 1);
  });

  it("may hold several tracks, with and without heights, and routes without times", async () => {
    const route = `<rte><name>Home</name>${[0, 1, 2].map((i) => `<rtept lat="${i * 0.01}" lon="0"><ele>${400 + i}</ele></rtept>`).join("")}</rte>`;
    const found = await tracksOf(inGpx(track("Up &amp; down", 4) + track("Flat", 4, "") + route));
    expect(found.map(({ name }) => name)).toEqual(["Up & down", "Flat", "Home"]);
    expect(found.map(({ problem }) => problem?.slice(0, 26))).toEqual([
      undefined,
      "This track has no heights,",
      undefined,
    ]);
    expect(found[2]?.way?.timed).toBe(false);
  });

  it("is read with a prefix before its elements, and with heights that are no numbers", async () => {
    const prefixed = track("Col", 6).replace(/<(\/?)(\w)/g, "<$1g:$2");
    const [found] = await tracksOf(`<g:gpx xmlns:g="x">${prefixed}</g:gpx>`);
    expect(found?.points).toBe(6);
    const [odd] = await tracksOf(inGpx(track("Col", 6).replace("<ele>400</ele>", "<ele>high</ele>")));
    expect(odd?.way?.notes[0]).toEqual({ what: "heightless", points: 1 });
  });

  it("takes a point's own children alone: what a vendor adds inside them is the vendor's", async () => {
    const extension = (i: number) =>
      `<extensions><v:at><v:ele>4000</v:ele><ele>4000</ele><time>2020-01-01T00:00:00Z</time></v:at></extensions><v:ele>4000</v:ele><ele xmlns="urn:v">4000</ele><time>2026-05-24T07:${String(10 + i)}:00Z</time>`;
    const points = Array.from({ length: 30 }, (_, i) => point(i, `<ele>${400 + i}</ele>${extension(i)}`));
    const [found] = await tracksOf(
      `<gpx xmlns:v="urn:v"><trk><extensions><name>Wrong</name></extensions><name><![CDATA[Up & down]]></name><trkseg>${points.join("")}</trkseg></trk></gpx>`,
    );
    expect(found?.name).toBe("Up & down");
    expect(found?.points).toBe(30);
    const heights = found?.way?.points.map(({ elevationM }) => elevationM) ?? [];
    expect([Math.min(...heights), Math.max(...heights)]).toEqual([401, 428]);
  });

  it("keeps no more than a log takes of a hundred thousand points", async () => {
    const points = Array.from(
      { length: 100_000 },
      (_, i) => `<trkpt lat="${(i * 1e-5).toFixed(5)}" lon="0"><ele>${(i / 100).toFixed(1)}</ele></trkpt>`,
    );
    const [found] = await tracksOf(inGpx(`<trk><trkseg>${points.join("")}</trkseg></trk>`));
    expect(found?.points).toBe(100_000);
    expect(found?.way?.points.length).toBeLessThanOrEqual(600);
    expect(found?.name).toBe("Track 1");
  });

  it.each([
    ["an empty file", "", "empty"],
    ["another kind of XML", "<html><body/></html>", "no GPX"],
    ["no track", inGpx("<wpt lat='1' lon='1'/>"), "no track and no route"],
    ["a file cut short", ride.slice(0, 5000), "breaks off or is damaged"],
    [
      "entities of its own",
      `<!DOCTYPE gpx [<!ENTITY a "aaaa">]><gpx><trk><name>&a;&a;</name></trk></gpx>`,
      "damaged",
    ],
    ["a picture", new Blob([Uint8Array.from([137, 80, 78, 71, 0, 0, 1, 2])]), "no text file"],
  ])("is refused with words: %s", async (_, text, words) => {
    expect(await wordsAgainst(text)).toContain(words);
  });
});

describe("a table in a file", () => {
  const table = async (text: string | Uint8Array<ArrayBuffer>) => readTable(new Blob([text]));

  it.each([
    [
      "commas",
      "time,temp,rh\n2026-05-23 08:00,12.5,60\n2026-05-23 09:00,13,58",
      ["2026-05-23 08:00", "12.5", "60"],
    ],
    [
      "semicolons and decimal commas",
      "time;temp;rh\n2026-05-23 08:00;12,5;60\n2026-05-23 09:00;13,1;58",
      ["2026-05-23 08:00", "12,5", "60"],
    ],
    ["JSON", '[{"time":"2026-05-23T08:00","temp":12.5},{"time":"x","temp":1}]', ["2026-05-23T08:00", "12.5"]],
  ])("is read: %s", async (_, text, first) => {
    const answer = await table(text);
    expect(answer.ok && answer.value.rows[0]).toEqual(first);
  });

  it.each([
    ["nothing", "", "empty"],
    ["JSON cut short", '{"hourly":{', "cut short"],
    ["prose", "It will be fine.", "No rows of figures"],
    ["a spreadsheet", Uint8Array.from([80, 75, 3, 4, 0, 0, 8, 0]), "no text file"],
  ])("is refused with words: %s", async (_, text, words) => {
    const answer = await table(text);
    expect(answer.ok ? "" : answer.message).toContain(words);
  });
});
