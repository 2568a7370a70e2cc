import { air, build } from "../../../core/__tests__/entries.ts";
import { RIG, answerOf, freshRig, logged, refusal, sent } from "#app/testing/rig.ts";
import { clientAction } from "./route.tsx";
import { rangeWords, sourceWords } from "./words.ts";

const MONTHS = [{ month: 5, lowK: 278, highK: 292, humidity: 0.6 }];
const TABLE = { place: "Col de la Brume", elevationM: 1380, months: MONTHS };

describe("a climate table that is kept", () => {
  beforeEach(() => freshRig([build(), air("0001", "08:30")]));

  it("stands in the log of its place", async () => {
    expect(answerOf(await clientAction(sent(TABLE)))).toEqual({
      status: 302,
      location: `/rigs/${RIG}/season`,
    });
    expect((await logged()).at(-1)).toMatchObject({ kind: "climate", ...TABLE });
  });

  it.each([
    ["no months", { months: [] }],
    ["a month twice", { months: [...MONTHS, ...MONTHS] }],
    ["a low above its high", { months: [{ ...MONTHS[0], lowK: 300 }] }],
  ])("is refused with %s", async (_, change) => {
    const { message } = await refusal(async () => clientAction(sent({ ...TABLE, ...change })));
    expect(message).toContain("This table cannot be read.");
  });
});

describe("a month in words", () => {
  const wanted = (...chances: number[]) =>
    chances.map((chance, i) => ({ value: 150 + 2 * i, chance, owned: true }));

  it("is the shortest stretch of sizes that covers four days in five", () => {
    expect(rangeWords("main", wanted(0.1, 0.45, 0.4, 0.05))).toBe("152 to 154");
    expect(rangeWords("main", wanted(0.05, 0.9, 0.05))).toBe("152");
    expect(rangeWords("main", [])).toBe("wide open");
  });

  it("says where its air is known from", () => {
    expect(sourceWords({ source: "readings", readings: 5 })).toBe("read there, 5 times");
    expect(sourceWords({ source: "standard", readings: 1 })).toBe("standard air");
  });
});
