import {
  allSentences,
  hasOtherDoubt,
  isLong,
  isRiddle,
  namesOtherZone,
  screenOf,
  sentencesIn,
  sentencesOfPage,
  wordCount,
} from "./sentences.ts";

const words = (source: string) => sentencesIn(source, "x.tsx").map((one) => one.words);

describe("the list of sentences", () => {
  it("finds them in texts, templates and elements, and cuts them where they end", () => {
    expect(words('const a = "Fit main 155. The top is 5 % rich.";')).toEqual([
      "Fit main 155.",
      "The top is 5 % rich.",
    ]);
    expect(words("const a = `There is ${x} % less air. Read it again.`;")).toEqual([
      "There is … % less air.",
      "Read it again.",
    ]);
    expect(words("<p>Saved at <b>once</b> in {place}.</p>")).toEqual(["Saved at once in …."]);
  });
  it("reads a page of the handbook without its marks", () => {
    const page =
      "# Start here\n\n> Engine **cold**, tap off. No flame.\n\n| Idle | Pilot jet and [screw](/x) |\n";
    expect(sentencesOfPage(page, "x.mdx").map((one) => one.words)).toEqual([
      "Engine cold, tap off.",
      "No flame.",
      "Pilot jet and screw",
    ]);
  });
  it("leaves out what nobody reads: imports, addresses, class names, types", () => {
    expect(
      words('import x from "A long name here.ts"; const a = "stack wide here"; type B = "One of these";'),
    ).toEqual([]);
  });
  it("knows the screen that a file's sentences are on", () => {
    expect(screenOf("app/features/rig/box/csv.ts")).toBe("Rig, Box");
    expect(screenOf("app/features/walk-round/check/form.ts")).toBe("Walk-round");
    expect(screenOf("app/features/idle/words.ts")).toBe("Idle, Bench");
    expect(screenOf("app/frame/card/words.ts")).toBe("Every screen of a rig");
    expect(screenOf("app/vocabulary/parts.ts")).toBe("Several screens");
    expect(screenOf("cli/run.ts")).toBe("Command line");
  });
  it("counts words, what is put in as one", () => {
    expect(wordCount("There is … % less air – here.")).toBe(6);
  });
});

describe("how we write", () => {
  const all = allSentences();
  const where = ({ file, line, words: said }: (typeof all)[number]) => `${file}:${line} ${said}`;
  it("no sentence has more than twenty words", () => {
    expect(all.length).toBeGreaterThan(2000);
    expect(all.filter(isLong).map(where)).toEqual([]);
  });
  it("no sentence is a riddle: who does what to what is said", () => {
    expect(all.filter(isRiddle).map(where)).toEqual([]);
  });
  it("a zone has one name", () => {
    const breaks = (said: string) => namesOtherZone({ file: "", line: 1, words: said });
    expect(breaks("Too lean at the top to be safe.")).toBe(true);
    expect(breaks("It stumbles off idle.")).toBe(true);
    expect(breaks("Two minutes just off idle, one at the top of the hill.")).toBe(false);
    expect(all.filter(namesOtherZone).map(where)).toEqual([]);
  });
  it("doubt has four words", () => {
    expect(hasOtherDoubt({ file: "", line: 1, words: "Perhaps no groove fits." })).toBe(true);
    expect(all.filter(hasOtherDoubt).map(where)).toEqual([]);
  });
});
