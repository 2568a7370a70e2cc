/** The handbook: read without scripts, alive with them under its own policy, found from every place and led back. */
import { expect, test } from "./test.ts";
import { expectAccessible, openRig, RIG, TWIN } from "./app.ts";

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });
  test("a page is read whole, its figure too, and links go on", async ({ page }) => {
    await page.goto("/handbook/who-feeds");
    await expect(page.getByRole("heading", { level: 1 })).toHaveText("Who feeds where");
    await expect(page.getByRole("img", { name: /^Who feeds/ })).toBeVisible();
    // What nothing would follow cannot be moved or typed into.
    await expect(page.getByRole("slider", { name: /^Throttle/ })).toBeDisabled();
    await expect(page.getByRole("searchbox", { name: "Search the handbook" })).toBeDisabled();
    await page.getByRole("navigation", { name: "Next and previous" }).getByRole("link").last().click();
    await expect(page.getByRole("heading", { level: 1 })).toHaveText("Describing the rig");
    await page.goto("/handbook/faults/airLeak");
    await expect(page.getByRole("heading", { level: 1 })).toHaveText("An air leak");
    await page.getByRole("link", { name: "Air leaks and alignment" }).first().click();
    await expect(page.getByRole("heading", { level: 1 })).toHaveText("Air leaks and alignment");
  });
});

test("a page opened by its address is alive under its own policy", async ({ page }) => {
  const wrong: string[] = [];
  page.on("console", (message) => {
    if (message.type() === "error") wrong.push(message.text());
  });
  page.on("pageerror", (error) => wrong.push(error.message));
  const response = await page.goto("/handbook/air?from=/rigs/rig:demo-enduro/air");
  const sent = response?.headers()["content-security-policy"] ?? "";
  const own = await page.locator('meta[http-equiv="Content-Security-Policy"]').getAttribute("content");
  expect(sent).toContain(own ?? "none");
  // Written with both units; a device's own once scripts run.
  await expect(page.getByText(/at 1500 m and 15\.0 °C there/)).toBeVisible();
  await page.getByRole("slider", { name: /^Height/ }).fill("2000");
  await expect(page.getByText(/^8\d % of the dry air/)).toHaveCount(0);
  await expect(page.getByText(/^7\d % of the dry air/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("link", { name: "Back to where you were" }).click();
  await expect(page).toHaveURL(/rig:demo-enduro\/air$/);
  await page.goto("/handbook/air?from=//elsewhere.example/x");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("The air");
  await expect(page.getByRole("link", { name: "Back to where you were" })).toBeHidden();
  expect(wrong).toEqual([]);
});

test("who feeds is told for each throttle", async ({ page }) => {
  await page.goto("/handbook/who-feeds");
  const throttle = page.getByRole("slider", { name: /^Throttle/ });
  const share = async (part: RegExp) =>
    Number(part.exec(await page.getByText(/^Here the pilot side/).innerText())?.[1]);
  await throttle.fill("0");
  await expect.poll(() => share(/pilot side rules (\d+) %/)).toBeGreaterThan(80);
  await throttle.fill("48");
  await expect.poll(() => share(/main jet (\d+) %/)).toBeGreaterThan(50);
});

test("every place of a rig has its page, by the ? and by the key, and the page leads back", async ({
  page,
}) => {
  for (const path of ["", "air", "walk-round", "idle", "look", "change", "why", "day", "log", "build"]) {
    await openRig(page, path === "" ? "" : `/${path}`);
    const heading = await page.getByRole("main").getByRole("heading", { level: 1 }).innerText();
    await page.getByRole("link", { name: "Handbook: this step" }).filter({ visible: true }).click();
    await expect(page).toHaveURL(/\/handbook\//);
    await page.getByRole("link", { name: "Back to where you were" }).click();
    await expect(page.getByRole("main").getByRole("heading", { level: 1 })).toHaveText(heading);
  }
  await page.goto(`${TWIN}/balance`);
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Vacuum balance");
  await page.keyboard.press("h");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Balancing carburettors");
  await page.goto(`${RIG}/walk-round/needleAndSeat`);
  await page.getByRole("link", { name: "Handbook: this step" }).filter({ visible: true }).click();
  await expect(page).toHaveURL(/\/handbook\/checks\/needleAndSeat/);
  // A page further on still leads back, and to its own step on the rig that was open.
  await page.getByRole("navigation", { name: "Next and previous" }).getByRole("link").last().click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Air leaks and alignment");
  await page.getByRole("link", { name: "Do it on your rig" }).click();
  await expect(page).toHaveURL(/rig:demo-enduro\/walk-round\/airLeaks$/);
});

test("search takes a slip of the finger, says where nothing is, and a word opens its note where it is", async ({
  page,
}) => {
  await page.goto("/handbook");
  const search = page.getByRole("searchbox", { name: "Search the handbook" });
  await search.fill("flot height");
  await page.getByRole("list", { name: "Found" }).getByRole("link", { name: "Float, dry height" }).click();
  await expect(page).toHaveURL(/checks\/floatHeight$/);
  await search.fill("zzzz");
  await expect(page.getByText("No page has “zzzz”. Try one word of it.")).toBeVisible();
  await page.goto(`${RIG}/idle`);
  await page.getByRole("link", { name: "best idle" }).click();
  await expect(page.getByRole("note").getByText(/^Where the idle is fastest/)).toBeVisible();
  await page.getByRole("note").getByRole("link", { name: "More" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("The idle bench");
  await page.goto("/handbook/faults/none");
  await expect(page.getByRole("alert")).toContainText("no page at this address");
});

test("on a phone the ? is in the head, and the handbook behind More @phone", async ({ page }) => {
  await openRig(page, "/idle");
  await page.getByRole("link", { name: "Handbook: this step" }).filter({ visible: true }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("The idle bench");
  await page.getByText("Contents and search").click();
  await page.getByRole("searchbox", { name: "Search the handbook" }).fill("surge");
  await page.getByRole("list", { name: "Found" }).getByRole("link", { name: "The middle" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("The middle");
  await openRig(page);
  await page.getByRole("button", { name: "More" }).click();
  await page.getByRole("link", { name: "Handbook", exact: true }).filter({ visible: true }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Handbook");
});
