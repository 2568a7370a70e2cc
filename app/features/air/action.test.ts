import { air, build, fit } from "../../../core/__tests__/entries.ts";
import { RIG, answerOf, freshRig, logged, sent, refusal } from "#app/testing/rig.ts";
import { database } from "#app/store/database.ts";
import { clientAction as readAir } from "./route.tsx";

const AIR = {
  temperature: "24",
  temperatureUnit: "°C",
  humidityKind: "relative",
  humidity: "46",
  pressureKind: "station",
  pressure: "863",
  pressureUnit: "hPa",
  pressureSure: "no",
  latitude: "",
  longitude: "",
  satelliteHeightM: "",
  simulatedTexts: "",
  elevation: "1380",
  elevationUnit: "m",
  place: "Col de la Brume",
};

beforeEach(() => freshRig([build(), air("0001", "08:30"), fit("0001", "08:40", 160)]));
afterEach(() => jest.restoreAllMocks());

describe("reading the air", () => {
  it("saves what the instruments showed, in SI, and goes to today", async () => {
    expect(answerOf(await readAir(sent(AIR)))).toEqual({ status: 302, location: `/rigs/${RIG}` });
    const entry = (await logged()).at(-1);
    expect(entry).toMatchObject({
      kind: "air",
      temperatureK: 297.15,
      humidity: { kind: "relative", fraction: 0.46 },
      pressure: { kind: "station", pressurePa: 86_300 },
      elevationM: 1380,
    });
  });

  it.each([
    [{ temperature: "" }, "temperature", "Temperature is missing"],
    [{ temperature: "warm" }, "temperature", "Temperature is not a number"],
    [
      { temperature: "75" },
      "temperature",
      "Temperature must be -30.0 to 55.0 °C; this is 75.0 °C. Is the unit right?",
    ],
    [{ humidity: "460" }, "humidity", "Humidity must be 0 to 100 %"],
    [{ humidityKind: "dewPoint", humidity: "30" }, "humidity", "do not fit together"],
    [{ humidityKind: "wetBulb", humidity: "-20" }, "humidity", "do not fit together"],
    [{ pressure: "1,013.25" }, "pressure", "has a comma and a point"],
    [{ pressure: "14.7 psi" }, "pressure", "the unit “psi” is not known"],
    [{ pressure: "86" }, "pressure", "Pressure must be 500 to 1100 hPa"],
    [{ pressure: "1018" }, "pressure", "looks like sea-level pressure"],
    [{ pressureKind: "seaLevel", pressure: "1018", elevation: "" }, "elevation", "Height is missing"],
    [{ pressureKind: "standard", elevation: "9000" }, "elevation", "Height must be"],
  ])("refuses %p on its own field", async (wrong, field, words) => {
    const { fields } = await refusal(() => readAir(sent({ ...AIR, ...wrong })));
    expect(fields?.[field]).toContain(words);
  });

  it("takes a suspected pressure once the tuner insists, or as sea level", async () => {
    expect(answerOf(await readAir(sent({ ...AIR, pressure: "1018", pressureSure: "yes" }))).status).toBe(302);
    expect(answerOf(await readAir(sent({ ...AIR, pressure: "1018", pressureKind: "seaLevel" }))).status).toBe(
      302,
    );
    expect((await logged()).slice(-2)).toMatchObject([
      { pressure: { kind: "station", pressurePa: 101_800 } },
      { pressure: { kind: "seaLevel", pressurePa: 101_800 } },
    ]);
  });

  it("keeps the form when the device is full", async () => {
    jest
      .spyOn(database, "setItem")
      .mockRejectedValue(Object.assign(new Error("full"), { name: "QuotaExceededError" }));
    const { message } = await refusal(() => readAir(sent(AIR)));
    expect(message).toContain("no room left");
  });
});
