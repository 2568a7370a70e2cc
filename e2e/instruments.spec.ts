/** Instruments of the air and of the run: a station, satellites, a λ meter, each with its stand-in and its refusals. */
import { evening, expect, test } from "./test.ts";
import { expectAccessible, open, openRig, RIG, untilKept, goOn } from "./app.ts";

test("a station over Bluetooth fills the air in, and its pressure follows what it sends", async ({
  page,
}) => {
  // The standard service, as a station of the shop would answer it.
  await page.addInitScript(() => {
    const values: Record<number, number[]> = {
      0x2a6e: [0x52, 0x08],
      0x2a6f: [0xc0, 0x12],
      0x2a6d: [0x28, 0x14, 0x0f, 0x00],
    };
    const characteristic = (uuid: number) => ({
      properties: { notify: true },
      readValue: () => Promise.resolve(new DataView(Uint8Array.from(values[uuid] ?? []).buffer)),
      startNotifications: () => Promise.resolve(),
      addEventListener: (_: string, listener: (event: unknown) => void) =>
        setInterval(
          () => listener({ target: { value: new DataView(Uint8Array.from(values[uuid] ?? []).buffer) } }),
          100,
        ),
    });
    Object.defineProperty(navigator, "bluetooth", {
      value: {
        requestDevice: () =>
          Promise.resolve({
            addEventListener: () => undefined,
            gatt: {
              disconnect: () => undefined,
              connect: () =>
                Promise.resolve({
                  getPrimaryService: () =>
                    Promise.resolve({
                      getCharacteristic: (uuid: number) => Promise.resolve(characteristic(uuid)),
                    }),
                }),
            },
          }),
      },
    });
  });
  await openRig(page, "/air");
  await page.getByRole("button", { name: "From a weather station" }).click();
  await page.getByRole("button", { name: "Station by Bluetooth" }).click();
  await expect(page.getByRole("region", { name: "Weather station" }).getByText("21.3 °C")).toBeVisible();
  // 988 hPa on a pass of 1910 m is no barometer's.
  await expect(page.getByText(/reduces its pressure to sea level/)).toHaveCount(0);
  await page.getByRole("button", { name: "Take this reading" }).click();
  await expect(page.getByLabel("Temperature", { exact: true })).toHaveValue("21.3");
  await expect(page.getByLabel("Humidity", { exact: true })).toHaveValue("48");
  await expect(page.getByLabel("Pressure", { exact: true })).toHaveValue("988");
});

test("the simulated station warms up in the sun, is found out, and what it fills in is marked", async ({
  page,
}) => {
  // The made-up day takes its minutes; the page's clock runs through them.
  await page.clock.install({ time: evening() });
  await openRig(page, "/air");
  await page.getByRole("button", { name: "From a weather station" }).click();
  await page.getByRole("button", { name: "Simulated weather station" }).click();
  const station = page.getByRole("region", { name: "Weather station" });
  await expect(station.getByText("SIMULATED", { exact: true })).toBeVisible();
  await station.getByText("In the sun").click();
  const warms = station.getByText(/The station warms up by itself/);
  for (let waited = 0; waited < 60 && !(await warms.isVisible()); waited += 1) await page.clock.runFor(1000);
  await expect(warms).toBeVisible();
  await expectAccessible(page);
  await station.getByRole("button", { name: "Take this reading" }).click();
  await page.getByLabel("Place", { exact: true }).fill("The sunny side");
  await page.getByRole("button", { name: "Save this air" }).click();
  await page.waitForURL((url) => url.pathname === RIG);
  await untilKept(page, '"place":"The sunny side","simulated":true');
});

test("a place is kept with its air, and known again", async ({ page, context }) => {
  await context.grantPermissions(["geolocation"]);
  await context.setGeolocation({ latitude: 45.2, longitude: -1.2, accuracy: 6 });
  await openRig(page, "/air");
  const find = async () => {
    await page.getByRole("button", { name: "Place and height" }).click();
    await page.getByRole("button", { name: "Height by satellites" }).click();
    await expect(page.getByText(/but no height yet/)).toBeVisible();
  };
  await find();
  await page.getByRole("button", { name: "Only the place" }).click();
  for (const [label, text] of [
    ["Temperature", "18"],
    ["Humidity", "60"],
    ["Pressure", "1009"],
    ["Height above the sea", "4"],
    ["Place", "Quai Nord"],
  ] as const)
    await page.getByLabel(label, { exact: true }).fill(text);
  await page.getByRole("button", { name: "Save this air" }).click();
  await page.waitForURL((url) => url.pathname === RIG);

  await context.setGeolocation({ latitude: 45.2011, longitude: -1.2, accuracy: 6 });
  await open(page, `${RIG}/air`);
  await page.getByLabel("Place", { exact: true }).fill("somewhere");
  await find();
  await page.getByRole("button", { name: "It is Quai Nord, 4 m" }).click();
  await expect(page.getByLabel("Place", { exact: true })).toHaveValue("Quai Nord");
  await expect(page.getByLabel("Height above the sea", { exact: true })).toHaveValue("4");
});

test("a sprint is armed, timed by itself, and saved with its error", { tag: "@phone" }, async ({ page }) => {
  await openRig(page, "/stopwatch");
  await expect(page.getByText(/Closed course only/)).toBeVisible();
  await page.getByRole("button", { name: /^Satellites/ }).click();
  await expect(page.getByText(/Type the speed or distance/)).toBeVisible();
  await page.getByLabel("To, km/h").fill("60");
  await page.getByRole("button", { name: "Simulated satellites" }).click();
  await expect(page.getByText(/Running\./)).toBeVisible();
  const taken = page.getByRole("group", { name: "By satellites" });
  await expect(taken.getByText(/^\d\.\d\d s ± 0\.\d\d$/)).toBeVisible();
  await expectAccessible(page);
  await taken.getByRole("button", { name: "Save this run" }).click();
  await expect(page.getByRole("list", { name: "Runs: 0 to 60 km/h" })).toBeVisible();
  await goOn(page, `${RIG}/log`);
  await expect(page.getByText(/by satellites to \d\.\d %/).first()).toBeVisible();
});

test("a λ meter is followed on the strip, and what was held is taken with its spread", async ({ page }) => {
  await openRig(page, "/look?how=lambda&zone=mid");
  await page.getByRole("button", { name: "Simulated λ meter" }).click();
  const take = page.getByRole("button", { name: "Take what was held" });
  await expect(take).toBeDisabled();
  await expect(take).toBeEnabled();
  await take.click();
  await expect(page.getByLabel("λ", { exact: true })).toHaveValue(/^[01]\.\d{3}$/);
  await page.getByRole("button", { name: "Save this look" }).click();
  await page.waitForURL((url) => url.pathname === RIG);
  await goOn(page, `${RIG}/log`);
  await expect(page.getByText(/λ, middle .* s logged/).first()).toBeVisible();
});
