/** The browser's process is killed again and again: what was said to be kept is there, and nothing is there in part. */
import { expect, test } from "@playwright/test";
import { seededRandom } from "../core/numbers/random.ts";
import { counts, fileOf, importFile, ORIGIN, OWN, rigs, writeNote } from "./book.ts";
import { Device } from "./device.ts";

const WRITES = 200;
const IMPORT_KILLS = 14;
const DELETION_KILLS = 10;
const SEED = 20260501;

let device: Device;
test.beforeEach(() => {
  device = new Device();
});
test.afterEach(() => device.throwAway());

test(`killed during ${WRITES} writes: every note that was shown is there, each once`, async () => {
  test.setTimeout(900_000);
  const random = seededRandom(SEED).uniform;
  let page = await device.start();
  await importFile(page, rigs(1, 5));
  const acknowledged: string[] = [];
  let kills = 0;
  for (let n = 0; acknowledged.length < WRITES;) {
    await page.goto(`${ORIGIN}/rigs/${OWN}/log`);
    await expect(page.getByRole("textbox", { name: "Note" })).toBeVisible();
    const before = 4 + Math.floor(random() * 12);
    for (let i = 0; i < before; i += 1, n += 1) {
      const text = `Kept note ${n}.`;
      await writeNote(page, text);
      await page.getByText(text, { exact: true }).waitFor();
      acknowledged.push(text);
    }
    // One more is on its way, nobody knows how far.
    await writeNote(page, `Half way ${n}.`);
    await new Promise((resolve) => setTimeout(resolve, random() * 250));
    await device.kill();
    kills += 1;
    page = await device.start();
  }
  await page.goto(`${ORIGIN}/rigs/${OWN}/log`);
  await expect(page.getByRole("textbox", { name: "Note" })).toBeVisible();
  await page.evaluate(() => window.dispatchEvent(new Event("beforeprint")));
  const shown = (await page.getByRole("main").textContent()) ?? "";
  const times = (text: string) => shown.split(text).length - 1;
  const lost = acknowledged.filter((text) => times(text) !== 1);
  const half = [...new Set(shown.match(/Half way \d+\./g) ?? [])];
  console.log(
    `${kills} kills, ${acknowledged.length} acknowledged, ${lost.length} lost, ${half.length} of ${kills} on their way came`,
  );
  expect(lost).toEqual([]);
  expect(half.filter((text) => times(text) !== 1)).toEqual([]);
});

test(`killed during ${IMPORT_KILLS} imports: all rigs or none, and importing again makes them whole`, async () => {
  test.setTimeout(900_000);
  const random = seededRandom(SEED + 1).uniform;
  const all = rigs(3, 400);
  let [whole, none] = [0, 0];
  for (let kill = 0; kill < IMPORT_KILLS; kill += 1) {
    let page = await device.start();
    await page.goto(`${ORIGIN}/data`);
    await page.getByLabel("File to import").setInputFiles(fileOf(all));
    await page.getByRole("button", { name: "Import", exact: true }).click();
    await new Promise((resolve) => setTimeout(resolve, random() * 1500));
    await device.kill();
    page = await device.start();
    const after = Object.values(await counts(page));
    if (after.length === 0) none += 1;
    else {
      whole += 1;
      expect(after).toEqual([401, 401, 401]);
    }
    if (after.length === 0) await importFile(page, all);
    else {
      await page.goto(`${ORIGIN}/data`);
      await page.getByLabel("File to import").setInputFiles(fileOf(all));
      await expect(page.getByText("Everything in this file is already here.")).toBeVisible();
    }
    expect(Object.values(await counts(page))).toEqual([401, 401, 401]);
    await device.throwAway();
    device = new Device();
  }
  console.log(`${IMPORT_KILLS} kills: ${whole} times whole, ${none} times nothing`);
});

test(`killed during ${DELETION_KILLS} deletions: the rig is whole or gone, and the others are whole`, async () => {
  test.setTimeout(900_000);
  const random = seededRandom(SEED + 2).uniform;
  let [whole, gone] = [0, 0];
  let page = await device.start();
  await importFile(page, rigs(3, 200));
  for (let kill = 0; kill < DELETION_KILLS; kill += 1) {
    await page.goto(`${ORIGIN}/data`);
    await page.getByRole("group", { name: "Own 2" }).getByRole("button", { name: "Delete" }).click();
    await page.getByRole("button", { name: "Delete it" }).click();
    await new Promise((resolve) => setTimeout(resolve, random() * 200));
    await device.kill();
    page = await device.start();
    const after = await counts(page);
    expect(after["rig:own-0001"]).toBe(201);
    expect(after["rig:own-0003"]).toBe(201);
    if (after["rig:own-0002"] === undefined) gone += 1;
    else {
      whole += 1;
      expect(after["rig:own-0002"]).toBe(201);
    }
    if (after["rig:own-0002"] === undefined) await importFile(page, rigs(3, 200));
    expect(await counts(page)).toEqual({
      "rig:own-0001": 201,
      "rig:own-0002": 201,
      "rig:own-0003": 201,
    });
  }
  console.log(`${DELETION_KILLS} kills: ${whole} times whole, ${gone} times gone`);
});
