import { columnsProblem } from "./columns.ts";
import { concludeForecast } from "./conclude.ts";
import type { WallClock } from "./instants.ts";
import { readForecast } from "./read-forecast.ts";
import { tableOfJson, tableOfLines, type Table } from "./table.ts";

const wall: WallClock = () => 120;
const guessColumns = (table: Table, elevationM: number) =>
  concludeForecast(table, { elevationM, readings: [], clock: wall }).mapping;
const lines = (text: string) =>
  text
    .trim()
    .split("\n")
    .map((line) => line.split(",").map((cell) => cell.trim()));
const read = (table: Table, elevationM = 40) =>
  readForecast(table, { mapping: guessColumns(table, elevationM), clock: wall, elevationM });

const HOURLY = `
Quai Nord, hourly
time, temperature (°C), relative humidity (%), pressure msl (hPa), wind gusts (km/h)
2026-05-23 08:00, 14.2, 81, 1016.2, 14
2026-05-23 09:00, 15.6, 74, 1016.0, 15
2026-05-23 10:00, 17.1, 66, 1015.7, 18`;

describe("a forecast's table", () => {
  it("is read by its own heads: which column is what, and in which unit", () => {
    const table = tableOfLines(lines(HOURLY));
    expect(guessColumns(table, 40)).toEqual([
      { role: "time", column: 0, unit: "local" },
      { role: "temperature", column: 1, unit: "°C" },
      { role: "humidity", column: 2, unit: "%" },
      { role: "seaLevel", column: 3, unit: "hPa" },
    ]);
    const { hours, notes } = read(table);
    expect(notes).toEqual([]);
    expect(hours[0]).toEqual({
      at: "2026-05-23T08:00:00+02:00",
      temperatureK: 273.15 + 14.2,
      humidity: { kind: "relative", fraction: 0.81 },
      pressure: { kind: "seaLevel", pressurePa: 101_620 },
    });
  });

  it("says of itself that no service told it", () => {
    const [title, ...rest] = lines(HOURLY);
    expect(title).toEqual(["Quai Nord", "hourly"]);
    expect(tableOfLines([["# simulated"], ...rest]).simulated).toBe(true);
    expect(tableOfLines(lines(HOURLY)).simulated).toBeUndefined();
  });

  it("knows Fahrenheit, inches and a station's pressure by their figures", () => {
    const table = tableOfLines(
      lines(
        "date, temp, dew point, surface pressure\n2026-05-23 08:00, 58, 51, 29.92\n2026-05-23 09:00, 61, 52, 29.90",
      ),
    );
    expect(guessColumns(table, 40).map(({ role, unit }) => `${role} ${unit}`)).toEqual([
      "time local",
      "temperature °F",
      "dewPoint °F",
      "station inHg",
    ]);
    const [first] = read(table).hours;
    expect(first?.temperatureK).toBeCloseTo(273.15 + 14.444, 3);
    expect(first?.pressure?.pressurePa).toBeCloseTo(101_320.8, 0);
  });

  it("takes a pressure of a mountain that looks like the sea's for the sea's, and says so where it is told otherwise", () => {
    const table = tableOfLines(
      lines("time, temp, humidity, pressure\n2026-05-23 08:00, 12, 60, 1015\n2026-05-23 09:00, 13, 58, 1015"),
    );
    expect(guessColumns(table, 1380).at(-1)?.role).toBe("seaLevel");
    // Told of a lower hill the same column may be either: its figures decide.
    const hill = tableOfLines(
      lines("time, temp, humidity, pressure\n2026-05-23 08:00, 12, 60, 985\n2026-05-23 09:00, 13, 58, 985"),
    );
    expect(guessColumns(hill, 250).at(-1)?.role).toBe("station");
    expect(guessColumns(table, 250).at(-1)?.role).toBe("seaLevel");
    const mapping = guessColumns(table, 1380).map((use) =>
      use.role === "seaLevel" ? { ...use, role: "station" as const } : use,
    );
    expect(readForecast(table, { mapping, clock: wall, elevationM: 1380 }).notes).toContain(
      "The pressure is said to be the station’s and looks like one reduced to sea level. Which is it?",
    );
  });

  it("says that a pressure does not belong to the height", () => {
    const table = tableOfLines(
      lines("time, temp, humidity, station\n2026-05-23 08:00, 12, 60, 863\n2026-05-23 09:00, 13, 58, 863"),
    );
    expect(read(table, 100).notes).toEqual(["A pressure of 863 hPa does not belong to this height."]);
    expect(read(table, 1380).notes).toEqual([]);
  });

  it("comes as JSON too: objects, or lists side by side within what a service wraps about them", () => {
    const objects = tableOfJson(
      '{"days":[{"time":"2026-05-23T08:00Z","temp":12,"rh":60},{"time":"2026-05-23T09:00Z","temp":13,"rh":58}]}',
    );
    expect(objects.rows).toHaveLength(2);
    const lists = tableOfJson(
      '{"latitude":45,"units":{"temp":"C"},"hourly":{"time":["2026-05-23T08:00","2026-05-23T09:00"],"temperature":[12,13],"dew_point":[6,6.2]}}',
    );
    expect(lists.names).toEqual(["time", "temperature", "dew_point"]);
    expect(read(lists).hours).toHaveLength(2);
  });

  it("leaves out what cannot be read and tells it: rows, doubles, gaps", () => {
    const table = tableOfLines(
      lines(
        "time, temp, humidity\n2026-05-23 08:00, 12, 60\nsoon, 12, 60\n2026-05-23 09:00, , 60\n2026-05-23 09:00, 12, 60\n2026-05-23 09:00, 14, 60\n2026-05-23 19:00, 14, 60",
      ),
    );
    const { hours, notes } = read(table);
    expect(
      hours.map(({ at, temperatureK }) => [at.slice(11, 13), Math.round(temperatureK - 273.15)]),
    ).toEqual([
      ["08", 12],
      ["09", 12],
      ["19", 14],
    ]);
    expect(notes).toEqual([
      "2 of 6 rows could not be read and are left out.",
      "1 rows stand for an hour that was there already; the first counts.",
      "Nothing from 23. 09:00 to 23. 19:00: what lies between is guessed, with more doubt.",
      "There is no pressure in it: the standard atmosphere’s is taken, to about 1 %.",
    ]);
  });

  it("doubts a day that is warmest at night", () => {
    const day = Array.from({ length: 24 }, (_, hour) => {
      const celsius = 15 + 6 * Math.cos((2 * Math.PI * (hour - 2)) / 24);
      return `2026-05-23 ${String(hour).padStart(2, "0")}:00, ${celsius.toFixed(1)}, 60, 1015`;
    });
    const { notes } = read(tableOfLines(lines(`time, temp, humidity, msl\n${day.join("\n")}`)));
    expect(notes).toEqual(["The warmest hour is 02:00. Are the times another zone’s?"]);
  });

  it.each([
    ["no figures", () => tableOfLines(lines("a, b\nc, d")), "No rows of figures"],
    ["broken JSON", () => tableOfJson('{"a":['), "cut short"],
    ["JSON without a table", () => tableOfJson('{"a":1}'), "No table was found"],
    [
      "no time that is one",
      () => read(tableOfLines(lines("time, temp, rh\nx, 12, 60\ny, 13, 60"))),
      "No time could be read",
    ],
    [
      "impossible warmth",
      () => read(tableOfLines(lines("time, temp, rh\n2026-05-23 08:00, 912, 60\n2026-05-23 09:00, 913, 60"))),
      "Fewer than two rows",
    ],
  ])("is refused with words: %s", (_, attempt, words) => {
    expect(attempt).toThrow(words);
  });

  it("asks for the columns it cannot do without", () => {
    const time = { role: "time", column: 0, unit: "local" } as const;
    const temperature = { role: "temperature", column: 1, unit: "°C" } as const;
    expect(columnsProblem([temperature])).toBe("Say which column is the time.");
    expect(columnsProblem([time])).toBe("Say which column is the temperature.");
    expect(columnsProblem([time, temperature])).toBe("Say which column is the humidity, or the dew point.");
    expect(columnsProblem([time, time])).toBe("Two columns are said to be the same. Choose one.");
  });
});
