/** @jest-environment node */
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { build, plug } from "../../core/__tests__/entries.ts";
import { lookAtLog, reduceLog, simulateLog, type LookedAt } from "./logger.ts";
import type { Answer } from "./protocol.ts";
import { encodingOf, portions } from "./text-file.ts";

const WANTED = { speedsMs: [50 / 3.6], lengthsM: [100] };
const ROWS = Array.from(
  { length: 400 },
  (_, i) => `${(i / 20).toFixed(2)},${i % 100},${(0.85 + (i % 100) / 1000).toFixed(3)}`,
);
const CSV = ["Time,Throttle,Lambda", ...ROWS].join("\n");

const bytesOf = (text: string, encoding: BufferEncoding): Uint8Array<ArrayBuffer> =>
  new Uint8Array(Buffer.from(text, encoding));
const swapped = (bytes: Uint8Array<ArrayBuffer>) => new Uint8Array(Buffer.from(bytes).swap16());

function valueOf<T>(answer: Answer<T>): T {
  if (!answer.ok) throw new Error(answer.message);
  return answer.value;
}

async function wordsAgainst(file: Blob): Promise<string> {
  const answer = await lookAtLog(file, 14.6);
  return answer.ok ? "" : answer.message;
}

async function readWhole(file: Blob, change: Partial<LookedAt["mapping"]> = {}) {
  const { mapping, encoding } = valueOf(await lookAtLog(file, 14.6));
  const shares: number[] = [];
  const task = { file, encoding, mapping: { ...mapping, ...change }, idleRpm: 1700, wanted: WANTED };
  const answer = await reduceLog(task, (share) => shares.push(share));
  return { answer, shares };
}

describe("a logger's file in whatever encoding", () => {
  const text = "Zeit [s],Throttle [%],λ\n0.0,10,0.90\n0.1,20,0.91\n0.2,30,0.92\n";
  it.each([
    ["utf-8", bytesOf(text, "utf8")],
    ["utf-8 with a mark", bytesOf(`\uFEFF${text}`, "utf8")],
    ["utf-16le with a mark", bytesOf(`\uFEFF${text}`, "utf16le")],
    ["utf-16le without", bytesOf(text, "utf16le")],
    ["utf-16be with a mark", swapped(bytesOf(`\uFEFF${text}`, "utf16le"))],
    ["a western code page", bytesOf(text.replace("λ", "Temperature °C"), "latin1")],
    ["lines ended as of old", bytesOf(text.replace(/\n/g, "\r"), "utf8")],
    ["lines ended twice", bytesOf(text.replace(/\n/g, "\r\n"), "utf8")],
  ])("is read: %s", async (_, bytes) => {
    const found = valueOf(await lookAtLog(new Blob([bytes]), 14.6));
    expect(found.sample).toHaveLength(3);
    expect(found.sample[1]?.slice(0, 2)).toEqual(["0.1", "20"]);
    expect(found.names[1]).toBe("Throttle [%]");
  });
  it("comes in portions of whole lines, wherever the portions end", async () => {
    for (const size of [5, 7, 64]) {
      const texts: string[] = [];
      for await (const portion of portions(new Blob([text]), "utf-8", size)) texts.push(portion.text);
      expect(texts.join("\n")).toBe(text);
    }
  });
  it("knows what is no text", () => {
    expect(encodingOf(Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 0, 16, 74, 70, 1, 0, 0, 1]))).toBeUndefined();
    expect(encodingOf(Uint8Array.from({ length: 200 }, (_, i) => (i * 37) % 255 || 1))).toBeUndefined();
  });
});

describe("files that are none", () => {
  it.each([
    ["nothing at all", new Blob([]), "empty"],
    [
      "a picture",
      new Blob([Uint8Array.from([0x89, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13])]),
      "no text file",
    ],
    ["prose", new Blob(["It ran well today.\nThen it did not.\n"]), "No rows of figures"],
    ["heads alone", new Blob(["Time,Throttle,Lambda\n"]), "No rows of figures"],
  ])("%s is answered in words", async (_, file, words) => {
    expect(await wordsAgainst(file)).toContain(words);
  });
  it("figures without a meaning ask for one, and change nothing", async () => {
    const { answer } = await readWhole(new Blob(["a,b,c\n1,2,3\n4,5,6\n"]));
    expect(answer).toMatchObject({
      ok: false,
      message: expect.stringContaining("which column is the time") as string,
    });
  });
  it("columns that hold no figures say so", async () => {
    const columns = [
      { role: "time", column: 0, unit: "s" },
      { role: "speed", column: 1, unit: "km/h" },
    ] as const;
    const words = new Blob(["a,b,c,d,e\nx,y,1,2,3\nx,y,3,4,5\nx,y,5,6,7\n"]);
    const { answer } = await readWhole(words, { columns: [...columns] });
    expect(answer).toMatchObject({
      ok: false,
      message: expect.stringContaining("None of these rows") as string,
    });
  });
});

describe("a whole file", () => {
  it("is read with its progress, and told by zone", async () => {
    const { answer, shares } = await readWhole(new Blob([CSV]));
    expect(valueOf(answer)).toMatchObject({ rows: 400, trouble: { ragged: 0, unreadable: 0, wentBack: 0 } });
    expect(shares.at(-1)).toBe(1);
  });
  it("half written, with ragged rows and a break in it, is read as far as it goes", async () => {
    const { answer } = await readWhole(new Blob([`${CSV}\n20.00,1\n20.05,x,0.9\n20.1`]));
    expect(valueOf(answer)).toMatchObject({
      rows: 401,
      trouble: { ragged: 2, unreadable: 1, firstBadLine: 402 },
    });
  });
  it("in which the time goes back keeps its longest session", async () => {
    const { answer } = await readWhole(new Blob([`${CSV}\n${ROWS.slice(0, 50).join("\n")}`]));
    expect(valueOf(answer)).toMatchObject({ rows: 400, trouble: { wentBack: 1, setAside: 50 } });
  });
  it("with semicolons and decimal commas is the same file", async () => {
    const other = CSV.replace(/,/g, ";").replace(/\./g, ",");
    const [a, b] = await Promise.all([readWhole(new Blob([CSV])), readWhole(new Blob([other]))]);
    expect(valueOf(b.answer).lambda).toEqual(valueOf(a.answer).lambda);
  });
});

describe("the simulated logger", () => {
  it("rides an engine such as the log believes in, marked as simulated", async () => {
    const entries = [build(), plug("0001", "09:00", "top", "umber")];
    const { setting, air } = ENDURO_BUILD.baseline;
    const wanted = { entries, build: ENDURO_BUILD, setting, air, seed: 4 };
    const file = valueOf(simulateLog(wanted));
    const looked = valueOf(await lookAtLog(file, 14.6));
    expect(looked.simulated).toBe(true);
    const { answer } = await readWhole(file);
    const { lambda, pulls } = valueOf(answer);
    expect(pulls.length).toBeGreaterThan(3);
    // The plug said rich at the top: such an engine rides.
    expect(Math.log((lambda.zones.top?.mean ?? NaN) / ENDURO_BUILD.targetLambda.top)).toBeLessThan(0);
    expect(await valueOf(simulateLog(wanted)).text()).toBe(await file.text());
  });
});
