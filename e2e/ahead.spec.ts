/** Days to come: heats and their cards, forecasts, a way over heights, what to pack, places and seasons. */
import { readFileSync } from "node:fs";
import ICAL from "ical.js";
import { evening, expect, test } from "./test.ts";
import { expectAccessible, KART, open, openRig, RIG, goOn, openList } from "./app.ts";

const two = (value: number) => String(value).padStart(2, "0");
const dayOf = (date: Date) => `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
const tomorrow = () => {
  const day = evening();
  day.setDate(day.getDate() + 1);
  return dayOf(day);
};
/** A fair day at the sea, hour by hour. */
const forecast = (day: string, heads = "time,temperature,humidity,pressure_msl") =>
  [
    heads,
    ...Array.from({ length: 24 }, (_, hour) => {
      const celsius = 14 + 7 * Math.cos((2 * Math.PI * (hour - 15)) / 24);
      return `${day} ${two(hour)}:00,${celsius.toFixed(1)},62,1018.4`;
    }),
  ].join("\n");
const file = (name: string, text: string) => ({ name, mimeType: "text/plain", buffer: Buffer.from(text) });

test("the demo's heats have a card each, are counted down to, and go into a calendar", async ({ page }) => {
  await open(page, `${KART}/day`);
  const heats = page.getByRole("list", { name: "The heats" });
  await expect(heats.getByRole("listitem")).toHaveCount(6);
  await expect(heats.getByRole("listitem").first()).toContainText("Practice");
  await expect(heats.getByRole("listitem").first()).toContainText("in 15 h 00");
  await expect(page.getByText(/all day\..*By the forecast for Quai Nord/)).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "To the calendar" }).click(),
  ]);
  expect(download.suggestedFilename()).toBe(`tamis-heats-${tomorrow()}.ics`);
  const calendar = new ICAL.Component(ICAL.parse(readFileSync(await download.path(), "utf8")) as unknown[]);
  const events = calendar.getAllSubcomponents("vevent").map((event) => new ICAL.Event(event));
  expect(events).toHaveLength(6);
  expect(events[0]?.startDate.toJSDate()).toEqual(new Date(`${tomorrow()}T09:00`));
  expect(events[5]?.summary).toMatch(/^Final: /);
});

test("heats are laid out and typed, and what is wrong in them stands at its field", async ({ page }) => {
  await openRig(page, "/day");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("The day");
  await page.getByLabel("How many").fill("3");
  await page.getByLabel("One every").fill("90");
  await page.getByRole("button", { name: "Lay out" }).click();
  const rows = page.getByRole("list", { name: "Heats as typed" }).getByRole("listitem");
  await expect(rows).toHaveCount(3);
  await expect(rows.nth(2).getByLabel("Starts")).toHaveValue("13:00");
  await page.getByRole("button", { name: "One more heat" }).click();
  await rows.nth(3).getByLabel("Starts").fill("half past two");
  await page.getByLabel("Day", { exact: true }).fill(tomorrow());
  await page.getByLabel("Height", { exact: true }).fill("1910");
  await page.getByRole("button", { name: "Save these heats" }).click();
  await expect(rows.nth(3).getByText("A time, such as 14:30.")).toBeVisible();
  await expect(rows.nth(3).getByLabel("Starts")).toHaveValue("half past two");
  await rows.nth(3).getByLabel("Starts").fill("14:30");
  await page.getByRole("button", { name: "Save these heats" }).click();
  const heats = page.getByRole("list", { name: "The heats" }).getByRole("listitem");
  await expect(heats).toHaveCount(4);
  await expect(page.getByText(/By the forecast for Col de la Brume, paddock/)).toBeVisible();
  // The plan's first change is fitted by one tap, and the day is planned anew from it.
  await page.getByRole("button", { name: /^All of Heat 1 is fitted/ }).click();
  await expect(page.getByText(/^Logged: /)).toBeVisible();
  await expect(heats.first()).toContainText("As it is.");
});

test("a forecast is read by its heads, put right, remembered, and planned by", async ({ page }) => {
  await open(page, `${KART}/day`);
  const choose = page.getByLabel("Forecast’s file");
  await choose.setInputFiles(file("hours.csv", forecast(tomorrow())));
  const panel = page.getByRole("region", { name: "The forecast’s columns" });
  await expect(panel.getByText(/^24 hours, /)).toBeVisible();
  await expect(panel.getByLabel("Pressure, at sea level", { exact: true })).toHaveValue("3");
  // Told to be in Fahrenheit it would be a winter's night: nobody rides in that, and the figures say so.
  await panel.getByLabel("Unit of temperature").selectOption("°F");
  await expect(panel.getByText(/^24 hours, .*-\d/)).toBeVisible();
  await panel.getByLabel("Unit of temperature").selectOption("°C");
  await panel.getByRole("button", { name: "Keep this forecast" }).click();
  await expect(panel).toHaveCount(0);
  await expect(page.getByText(/By the forecast for Quai Nord.*No reading of the day yet/)).toBeVisible();
  await choose.setInputFiles(file("again.csv", forecast(tomorrow())));
  await expect(
    panel.getByText("Read as you chose for an earlier file with the same column names."),
  ).toBeVisible();
});

test("what a forecast leaves open is asked, and a barometer or the tuner answers", async ({ page }) => {
  await open(page, `${KART}/day`);
  const panel = page.getByRole("region", { name: "The forecast’s columns" });
  const keep = panel.getByRole("button", { name: "Keep this forecast" });
  const choose = page.getByLabel("Forecast’s file");
  await choose.setInputFiles(
    file("sea.csv", forecast(tomorrow(), "time,Temperature of air (°C),humidity,pressure")),
  );
  await expect(panel.getByText(/Temperature: °C, by the column’s name\. Pressure: /)).toBeVisible();
  await expect(keep).toBeEnabled();
  // High up the two reductions are one and a half per cent of air apart.
  await panel.getByLabel("Height it is for").fill("2000");
  await expect(keep).toBeDisabled();
  await expect(panel.getByText("Answer what is asked above first.")).toBeVisible();
  await panel.getByRole("button", { name: "altimeter setting (QNH), hPa" }).click();
  await expect(panel.getByText(/Pressure: altimeter setting \(QNH\), hPa, as you say\./)).toBeVisible();
  await expect(panel.getByLabel("Altimeter setting (QNH)", { exact: true })).toHaveValue("3");
  await expect(keep).toBeEnabled();
  await panel.getByRole("button", { name: /^Temperature: °F instead$/ }).click();
  await expect(panel.getByLabel("Unit of temperature")).toHaveValue("°F");
});

test("a forecast that cannot be read says why and changes nothing", async ({ page }) => {
  await open(page, `${KART}/day`);
  const choose = page.getByLabel("Forecast’s file");
  const panel = page.getByRole("region", { name: "The forecast’s columns" });
  await choose.setInputFiles(file("prose.csv", "It will be fine tomorrow."));
  await expect(page.getByText(/No rows of figures were found.*Nothing was changed/)).toBeVisible();
  await choose.setInputFiles(file("cut.json", '{"hourly":{"time":['));
  await expect(page.getByText(/begins like JSON.*Nothing was changed/)).toBeVisible();
  // Gaps, lost rows and a day that is warmest at night are told before it is kept.
  const rows = forecast(tomorrow()).split("\n");
  const shifted = rows.slice(1).map((row, i) => row.replace(/ \d\d:/, ` ${two((i + 11) % 24)}:`));
  await choose.setInputFiles(file("zone.csv", [rows[0], ...shifted, "later,x,y,z"].join("\n")));
  await expect(panel.getByText("The warmest hour is 02:00. Are the times another zone’s?")).toBeVisible();
  await expect(panel.getByText("1 of 25 rows could not be read and are left out.")).toBeVisible();
  await choose.setInputFiles(file("gap.csv", rows.filter((_, i) => i < 9 || i > 18).join("\n")));
  await expect(panel.getByText(/^Nothing from .* 07:00 to .* 18:00/)).toBeVisible();
  await panel.getByLabel("Humidity", { exact: true }).selectOption("");
  await expect(panel.getByText("Say which column is the humidity, or the dew point.")).toBeVisible();
  await expect(panel.getByRole("button", { name: "Keep this forecast" })).toBeDisabled();
  await panel.getByRole("button", { name: "Leave it" }).click();
  await expect(page.getByText(/By the forecast for Quai Nord/)).toBeVisible();
});

test("the simulated forecast runs through the air that was read, and is marked", async ({ page }) => {
  await open(page, `${KART}/day`);
  await page.getByRole("button", { name: "Simulated forecast" }).click();
  const panel = page.getByRole("region", { name: "The forecast’s columns" });
  await expect(panel.getByText("SIMULATED", { exact: true })).toBeVisible();
  await expect(panel.getByText(/^36 hours, /)).toBeVisible();
  await panel.getByRole("button", { name: "Keep this forecast" }).click();
  await expect(panel).toHaveCount(0);
  await expect(page.getByText(/By the forecast for/)).toBeVisible();
});

const track = (name: string, heights: boolean, from: number, count: number) =>
  `<trk><name>${name}</name><trkseg>${Array.from(
    { length: count },
    (_, i) =>
      `<trkpt lat="${(i * 4e-4).toFixed(5)}" lon="0">${heights ? `<ele>${i === 40 ? 3000 : from + 7 * i}</ele>` : ""}</trkpt>`,
  ).join("")}</trkseg></trk>`;
const gpx = (...tracks: string[]) => `<?xml version="1.0"?><gpx version="1.1">${tracks.join("")}</gpx>`;

test("a way from a receiver's file has one setting, three strips, and says where to stop", async ({
  page,
}) => {
  await openRig(page, "/route");
  const choose = page.getByLabel("Receiver’s file");
  await choose.setInputFiles(file("flat.gpx", gpx(track("No heights", false, 0, 60))));
  const panel = page.getByRole("region", { name: "The way in the file" });
  await expect(panel.getByText(/^This track has no heights/)).toBeVisible();
  await expect(panel.getByRole("button", { name: "Keep this way" })).toBeDisabled();
  await choose.setInputFiles(file("cut.gpx", gpx(track("Cut", true, 0, 60)).slice(0, 900)));
  await expect(page.getByText(/breaks off or is damaged.*Nothing was changed/)).toBeVisible();
  // Two tracks: the longer one is the ride; its spike is passed over and said.
  const both = gpx(track("Home", true, 900, 60), track("Col with a spike", true, 100, 300));
  await choose.setInputFiles(file("both.gpx", both));
  await expect(panel.getByText(/^Col with a spike: 13.3 km in \d+ min, 107 m to 2186 m/)).toBeVisible();
  await expect(panel.getByText("1 height jumped. The heights beside them count.")).toBeVisible();
  await panel.getByLabel("At", { exact: true }).fill("20");
  await panel.getByLabel("At", { exact: true }).blur();
  await expect(panel.getByText(/in 40 min/)).toBeVisible();
  await panel.getByRole("button", { name: "Keep this way" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Col with a spike");
  await expect(
    page.getByRole("region", { name: "One setting for all of it" }).getByRole("status"),
  ).toContainText("lean limit");
  const strips = page.getByRole("region", { name: "With that setting" }).getByRole("img");
  await expect(strips).toHaveCount(3);
  await expect(page.getByRole("region", { name: "Stops" })).toContainText(
    /would save|One setting is enough|hardly more/,
  );
  await openList(page.getByRole("combobox", { name: "Way" }));
  await page.getByRole("option", { name: /^Col de la Brume/ }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Col de la Brume");
});

test("a way is asked about where its heights may be missing, and where nobody has been so high", async ({
  page,
}) => {
  await openRig(page, "/route");
  const choose = page.getByLabel("Receiver’s file");
  const panel = page.getByRole("region", { name: "The way in the file" });
  const climb = track("North ramp", true, 400, 300);
  const dead = climb.replace(/<ele>(8|9)\d\d<\/ele>/g, "<ele>0</ele>");
  await choose.setInputFiles(file("dead.gpx", gpx(dead)));
  const keep = panel.getByRole("button", { name: "Keep this way" });
  await expect(panel.getByText(/, 0 m to 2486 m/)).toBeVisible();
  await expect(keep).toBeDisabled();
  await panel.getByRole("button", { name: "No, they are missing" }).click();
  await expect(panel.getByText(/, 407 m to 2486 m/)).toBeVisible();
  await expect(keep).toBeEnabled();
  // A file that puts all of it at 4000 metres: the air there would be far thinner than any that was read.
  await choose.setInputFiles(file("high.gpx", gpx(climb.replace(/<ele>\d+<\/ele>/g, "<ele>4000</ele>"))));
  await expect(panel.getByText(/, 4000 m to 4000 m/)).toBeVisible();
  await keep.click();
  const setting = page.getByRole("region", { name: "One setting for all of it" });
  await expect(setting).toContainText("This file goes up to 4000 m.");
  await expect(setting.getByRole("link", { name: "Fit it" })).toHaveCount(0);
  await setting.getByRole("button", { name: "The heights are right" }).click();
  await expect(setting.getByRole("link", { name: "Fit it" })).toBeVisible();
});

test("what to pack is told for days, a month and a range, and prints on its own", async ({ page }) => {
  await openRig(page, "/pack");
  const main = page.getByRole("region", { name: "Main" }).getByRole("listitem");
  await expect(main.first()).toBeVisible();
  const byForecast = await main.allInnerTexts();
  await page.getByRole("button", { name: /^A range/ }).click();
  await page.getByLabel("Warmest").fill("-5");
  await expect(page.getByText("Lower than the lowest.")).toBeVisible();
  await page.getByLabel("Warmest").fill("24");
  await page.getByLabel("Highest").fill("1300");
  await page.getByLabel("Lowest").fill("0");
  await expect.poll(() => main.allInnerTexts()).not.toEqual(byForecast);
  await page.getByRole("button", { name: /^A month there/ }).click();
  await expect(page.getByLabel("Place")).not.toHaveValue("");
  await expect(page.getByText(/draws of air and engine/)).toBeVisible();
  await page.emulateMedia({ media: "print" });
  await page.evaluate(() => document.body.classList.add("print-log"));
  await expect(page.getByRole("navigation", { name: "The day ahead" })).toBeHidden();
  await expect(page.getByRole("complementary", { name: "The card" })).toBeHidden();
  await expect(page.getByText(/^27 · 250 enduro · /)).toBeVisible();
  await expect(main.first()).toBeVisible();
});

test("a place is described, fills in the air, and a year there is told by a climate table", async ({
  page,
}) => {
  await openRig(page, "/places");
  await page.getByRole("button", { name: "Say more of Col de la Brume, paddock" }).click();
  await page.getByRole("textbox", { name: "Middle" }).fill("-1");
  await page.getByRole("button", { name: "Save this place" }).click();
  await expect(page.getByText("Must be at least 0.", { exact: true })).toBeVisible();
  await page.getByRole("textbox", { name: "Middle" }).fill("40");
  await page.getByRole("textbox", { name: "Full throttle" }).fill("60");
  await openList(page.getByRole("combobox", { name: "Pressure there" }));
  await page.getByRole("option", { name: "shown as at sea level" }).click();
  await page.getByRole("button", { name: "Save this place" }).click();
  await expect(
    page.getByText(/1380 m · shown as at sea level · middle 40 %, full throttle 60 %/),
  ).toBeVisible();
  await goOn(page, `${RIG}/air`);
  await page.getByRole("button", { name: "Col de la Brume, paddock" }).click();
  await expect(page.getByLabel("Height above the sea")).toHaveValue("1380");
  await expect(page.getByRole("button", { name: /^Weather app/ })).toHaveAttribute("aria-pressed", "true");
  await goOn(page, `${RIG}/season`);
  await page.getByLabel("Climate table").setInputFiles(file("year.csv", "month,low,high\n5,17,4"));
  await expect(page.getByText(/Row 1 of the table .*Nothing was changed/)).toBeVisible();
  await page
    .getByLabel("Climate table")
    .setInputFiles(file("year.csv", "month,low,high,humidity\n1,-9,2,80\n7,9,24,55"));
  const july = page.getByRole("row", { name: /^July/ });
  await expect(july).toContainText("by the table");
  await expect(page.getByRole("row", { name: /^June/ })).toContainText("standard air");
  await expectAccessible(page, "screen");
});
