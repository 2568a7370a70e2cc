/** Several cylinders: brought into step by the gauges, compared side by side, jetted each for its own. */
import { expect, test, evening } from "./test.ts";
import { expectAccessible, open, TWIN, untilKept, goOn, openList } from "./app.ts";

test("a twin out of step is brought in by the screw that the gauges name", async ({ page }) => {
  await page.clock.install({ time: evening() });
  await open(page, `${TWIN}/balance`);
  const heading = page.getByRole("heading", { level: 1 });
  await expect(heading).toHaveText("Vacuum balance");
  await expect(page.getByText(/to prime while its hose is off/)).toBeVisible();
  await page.getByRole("button", { name: "Simulated set of 2 gauges" }).click();
  await expect(heading).toHaveText(/1 with 2: \d\.\d kPa apart.*SIMULATED/);
  await expect(page.getByRole("img", { name: /Vacuum of each carburettor/ })).toBeVisible();
  await expect(page.getByText(/2 pulls (less|harder)/)).toBeVisible();
  await page.clock.runFor(2000); // the needles come to rest
  await page.getByRole("button", { name: "This is how it was" }).click();
  await expect(page.getByText(/^Before: /)).toBeVisible();
  await expectAccessible(page);
  const harder = /pulls harder/.test(await page.getByText(/2 pulls/).innerText());
  const turn = page.getByRole("button", { name: `Open 2 a quarter turn ${harder ? "more" : "less"}` });
  for (let turns = 0; turns < 12 && !/In step/.test(await heading.innerText()); turns += 1) {
    await turn.click();
    await page.clock.runFor(2200);
  }
  await expect(heading).toHaveText(/^In step/);
  // In step: hoses, plugs and the tap go back before anybody rides it.
  await expect(page.getByText(/to prime while its hose is off, and back afterwards/)).toBeVisible();
  await page.getByRole("button", { name: "Log the balance" }).click();
  await page.waitForURL(/cylinders$/);
  await goOn(page, `${TWIN}/log`);
  await expect(page.getByText("Vacuum at idle, 2 gauges").first()).toBeVisible();
});

test("gauges that are typed are answered the same, and wrong ones at their field", async ({ page }) => {
  await open(page, `${TWIN}/balance`);
  await page.getByLabel("Gauge 1, kPa").fill("30");
  await page.getByLabel("Gauge 2, kPa").fill("300");
  await expect(page.getByText("0 to 101 kPa.")).toBeVisible();
  await page.getByLabel("Gauge 2, kPa").fill("35,5");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("1 with 2: 5.5 kPa apart");
  await page.getByRole("button", { name: "A cable each" }).click();
  await expect(page.getByText(/The idle stop of 2: in, it opens/)).toBeVisible();
  await page.getByRole("button", { name: "This is how it was" }).click();
  await untilKept(page, '"before":{"idle":[30000,35500]}');
  await page.reload();
  await page.getByLabel("Gauge 1, kPa").fill("33");
  await page.getByLabel("Gauge 2, kPa").fill("33");
  await expect(page.getByText(/^Before: 30.0 kPa · 35.5 kPa/)).toBeVisible();
});

test("one cylinder that differs is named with its causes first, and may get jets of its own", async ({
  page,
}) => {
  await open(page, `${TWIN}/cylinders`);
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(
    /^Cylinder 2 runs \d+ % richer than the rest$/,
  );
  await expect(page.getByRole("link", { name: /Float high/ })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Heat range" }).click();
  await expect(page.getByText(/one heat range hotter for cylinder 2/)).toBeVisible();
  await openList(page.getByRole("combobox", { name: "Cylinder 1" }));
  await page.getByRole("option", { name: /biscuit/ }).click();
  await openList(page.getByRole("combobox", { name: "Cylinder 2" }));
  await page.getByRole("option", { name: /soot/ }).click();
  await page.getByRole("button", { name: "Save the plugs" }).click();
  await expect(page.getByText("2 looks saved.")).toBeVisible();
  await page.getByLabel("Pipe 1, °C").fill("230");
  await page.getByLabel("Pipe 2, °C").fill("170");
  await page.getByRole("button", { name: "Save the pipes" }).click();
  await expect(page.getByText(/hottest 1 .* 60 °C apart: more than this rig may have/)).toBeVisible();

  await page.getByRole("button", { name: "Own jets" }).click();
  await page.getByRole("region", { name: "Own jets" }).getByRole("link", { name: "Change" }).nth(1).click();
  await expect(page.getByText("It feeds cylinder 2; the others stay as they are.")).toBeVisible();
  await page.getByRole("textbox", { name: "Main" }).fill("117.5");
  await page.getByRole("button", { name: "It is fitted" }).click();
  await page.waitForURL((url) => url.pathname === TWIN);
  const handle = page.getByRole("button", { name: "Open the card" });
  if (await handle.isVisible()) await handle.click();
  const two = page.getByRole("button", { name: "Carburettor 2" }).filter({ visible: true });
  await two.click();
  await expect(page.getByText("feeds 2", { exact: true }).filter({ visible: true })).toBeVisible();
});
