/** Looks of the newer kinds, from the form's texts to the log. */
import { air, build, fit } from "../../../core/__tests__/entries.ts";
import { fold } from "#core/log/fold.ts";
import { clientAction as importLog } from "./route.tsx";
import { fixesFor, leftOutWords, troubleWords } from "./words.ts";
import type { Reduced } from "#core/logger/reduce.ts";
import { answerOf, freshRig, logged, sent } from "#app/testing/rig.ts";
import { loggerContents, loggerSent, runsOf } from "./form.ts";

const asked = (request: Request) => ({ ...(sent({}) as object), request }) as never;
beforeEach(() => freshRig([build(), air("0001", "08:30"), fit("0001", "08:40", 160)]));

describe("a logger's file in the log", () => {
  const stretch = { count: 900, seconds: 42, mean: 0.87, spread: 0.012 };
  const split = { to: 80 / 3.6, seconds: 4.21 };
  const pull = {
    startS: 4,
    seconds: 9,
    fromMs: 0,
    toMs: 30,
    fromRpm: undefined,
    toRpm: undefined,
    lambda: 0.87,
    leanest: 0.9,
    toSpeed: [split],
    toDistance: [{ to: 100, seconds: 6.1 }],
    exhaustK: 880,
    headK: undefined,
    headFromK: undefined,
    series: undefined,
  };
  const reduced: Reduced = {
    rows: 1000,
    seconds: 50,
    channels: ["throttle", "lambda", "speed"],
    delay: { delayS: 0.2624, explains: 0.8 },
    lambda: {
      zones: { idle: undefined, low: undefined, mid: stretch, top: { ...stretch, mean: 0.85 } },
      throttle: [],
      rpm: [],
      ridden: [],
      impossible: 3,
    },
    pulls: [pull, { ...pull, startS: 30, toSpeed: [], toDistance: [] }],
    leftOut: { overrun: 0.1, gearChange: 0.05, settling: 0.1 },
    hottest: { exhaust: undefined, head: undefined },
    throttle: { zero: 0, full: 1 },
    doubts: [],
    medianLambda: 0.87,
    trouble: { ragged: 2, unreadable: 1, firstBadLine: 17, wentBack: 1, setAside: 40 },
  };
  const file = { name: "session.csv", simulated: true };

  it("is one entry of its own, a weighted look a zone, and the standing starts that were wanted", async () => {
    const sent = loggerSent(reduced, file, "inside", { what: "toSpeed", to: split.to });
    const [first, ...rest] = loggerContents(sent);
    expect(first).toEqual({
      kind: "import",
      file: "session.csv",
      rows: 1000,
      seconds: 50,
      delayS: 0.262,
      simulated: true,
    });
    expect(rest).toMatchObject([
      {
        kind: "look",
        reading: { type: "lambda", zone: "mid", lambda: 0.87, logged: { seconds: 42, spread: 0.012 } },
      },
      { kind: "look", reading: { type: "lambda", zone: "top" }, simulated: true },
      // Where each of the two pulls ended.
      { kind: "look", reading: { type: "temperature", zone: "top", sensor: "exhaust", temperatureK: 880 } },
      { kind: "look", reading: { type: "temperature" } },
      { kind: "run", run: { what: "toSpeed", seconds: 4.21 }, simulated: true },
    ]);
    expect(runsOf(reduced.pulls, { what: "distance", to: 100 })).toEqual([
      { what: "distance", seconds: 6.1, lengthM: 100 },
    ]);
    expect(runsOf(reduced.pulls, { what: "none" })).toEqual([]);
    const request = new Request("http://tamis/rigs/rig:test/logger", {
      method: "POST",
      body: JSON.stringify(sent),
    });
    const answer = await importLog(asked(request));
    expect(answerOf(answer).status).toBe(302);
    expect(fold(await logged())).toMatchObject({
      openChange: undefined,
      runs: [{}],
      looks: [{}, {}, {}, {}],
    });
  });
  it.each([
    [{ zones: [], runs: [] }, "nothing in it to log"],
    [{ zones: [{ zone: "top", lambda: 9, seconds: 1, spread: 0 }] }, "to be logged cannot be read"],
  ])("refuses %j and saves nothing", async (change, words) => {
    const sent = { ...loggerSent(reduced, file, "inside", { what: "none" }), ...change };
    const request = new Request("http://tamis/rigs/rig:test/logger", {
      method: "POST",
      body: JSON.stringify(sent),
    });
    const { data } = answerOf(await importLog(asked(request)));
    expect((data as { message: string }).message).toContain(words);
    expect((await logged()).at(-1)?.kind).toBe("fit");
  });
  it("says what could not be used, and where", () => {
    const words = troubleWords(reduced).join(" ");
    expect(words).toContain("2 rows are cut short and were passed over, the first in line 17.");
    expect(words).toContain("The time goes back once");
    expect(leftOutWords(reduced)).toContain("0.26 s late");
    expect(leftOutWords({ ...reduced, delay: undefined })).toContain("does not show how late");
  });
  it("offers the scale on which an engine would run: AFR of petrol on a methanol rig", () => {
    const mapping = {
      delimiter: ",",
      decimal: ".",
      headerLines: 1,
      columns: [{ role: "lambda", column: 2, unit: "AFR" }],
      stoichiometric: 6.45,
    } as const;
    // The meter showed 12.6 of petrol: by methanol's ratio that would be λ 1.95.
    const fixes = fixesFor(
      "lambda",
      { ...mapping, columns: [...mapping.columns] },
      { ...reduced, medianLambda: 12.6 / 6.45 },
    );
    expect(fixes.map(({ words }) => words)).toContain("AFR of petrol (14.6)");
    expect(fixes[0]?.mapping.stoichiometric).toBe(14.6);
  });
});
