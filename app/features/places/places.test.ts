import { air, build } from "../../../core/__tests__/entries.ts";
import { openCase } from "#core/advice/judge/case.ts";
import { PlaceEntry } from "#core/log/schema.ts";
import { RIG, answerOf, freshRig, logged, sent, refusal } from "#app/testing/rig.ts";
import { EMPTY_PLACE, placeTexts } from "./form.ts";
import { clientAction } from "./route.tsx";

const TYPED = { ...EMPTY_PLACE, name: "Col de la Brume", elevation: "1380", pressure: "seaLevel" };
const SHARES = { idle: "2", low: "8", mid: "30", top: "60" };

beforeEach(() => freshRig([build(), air("0001", "08:30")]));

describe("a place", () => {
  it("is kept with its height, its pressure and its use, and shows as it was typed", async () => {
    expect(answerOf(await clientAction(sent({ ...TYPED, ...SHARES })))).toEqual({
      status: 302,
      location: `/rigs/${RIG}/places`,
    });
    const place = PlaceEntry.parse((await logged()).at(-1));
    expect(place).toMatchObject({
      name: "Col de la Brume",
      elevationM: 1380,
      pressure: "seaLevel",
      usage: { idle: 2, low: 8, mid: 30, top: 60 },
    });
    expect(placeTexts(place, "m")).toEqual({ ...TYPED, ...SHARES });
  });

  it("says nothing of its use where all four are left empty", async () => {
    await clientAction(sent(TYPED));
    expect((await logged()).at(-1)).not.toHaveProperty("usage");
  });

  it("weighs the zones by its own use while the newest air is its own", async () => {
    await clientAction(sent({ ...TYPED, name: "col de la brume ", ...SHARES }));
    expect(openCase(await logged()).build.usage).toEqual({ idle: 2, low: 8, mid: 30, top: 60 });
    const elsewhere = { ...air("0002", "20:00"), place: "Quai Nord" };
    expect(
      openCase([...(await logged()), { ...elsewhere, at: "2099-01-01T10:00:00+02:00" }]).build.usage,
    ).not.toEqual({ idle: 2, low: 8, mid: 30, top: 60 });
  });

  it.each([
    [{ name: " " }, "name", "A name for the place."],
    [{ elevation: "" }, "elevation", "Type a number here."],
    [{ mid: "-3" }, "mid", "Must be at least 0."],
    [{ idle: "0", low: "0", mid: "0", top: "0" }, "top", "One zone at least is used."],
  ])("says at its field what is wrong: %j", async (change, field, words) => {
    const { fields } = await refusal(async () => clientAction(sent({ ...TYPED, ...change })));
    expect(fields?.[field]).toBe(words);
  });
});
