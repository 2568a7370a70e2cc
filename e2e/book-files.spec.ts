/** The book as files: what comes in is seen first, the wrong file is taken back, a folder is kept up to date. */
import { readFileSync, writeFileSync } from "node:fs";
import { open, openRig, RIG, rigLine } from "./app.ts";
import { expect, onAnotherDevice, test } from "./test.ts";
import type { Page, TestInfo } from "@playwright/test";

async function exported(page: Page, info: TestInfo, name: string): Promise<string> {
  await page.goto("/data/rigs");
  const download = page.waitForEvent("download");
  await rigLine(page).getByRole("button", { name: "Export log" }).click();
  const path = info.outputPath(name);
  await (await download).saveAs(path);
  return path;
}
async function noted(page: Page, text: string): Promise<void> {
  await page.goto(`${RIG}/log`);
  await page.getByRole("textbox", { name: "Note" }).fill(text);
  await page.getByRole("button", { name: "Add note" }).click();
  await expect(page.getByText(text)).toBeVisible();
}
const undo = (page: Page, words: RegExp) =>
  page.getByRole("listitem").filter({ hasText: words }).getByRole("button", { name: "Put back" });

test("a file is looked at before it comes in, and the wrong one is taken back", async ({
  page,
  browser,
}, info) => {
  await openRig(page, "/log");
  await noted(page, "Written on the phone.");
  const file = await exported(page, info, "phone.zip");

  const other = await onAnotherDevice(browser);
  await open(other, new URL("/data", page.url()).href);
  await other.getByLabel("File to import").setInputFiles(file);
  const preview = other.getByRole("group", { name: /What is in phone.zip/ });
  await expect(preview).toContainText(/250 enduro.*1 new entry/);
  await preview.getByRole("button", { name: "Leave it" }).click();
  await expect(preview).toHaveCount(0);
  await other.getByLabel("File to import").setInputFiles(file);
  await preview.getByRole("button", { name: "Import", exact: true }).click();
  await expect(other.getByText("Imported 1 entry.")).toBeVisible();
  await other.getByLabel("File to import").setInputFiles(file);
  await expect(other.getByText("Everything in this file is already here.")).toBeVisible();

  await undo(other, /Before the import of phone.zip/).click();
  await other.getByRole("button", { name: "Put it back" }).click();
  await expect(undo(other, /Before going back/)).toBeVisible();
  await other.goto(new URL(`${RIG}/log`, page.url()).href);
  await expect(other.getByRole("heading", { name: "The log" })).toBeVisible();
  await expect(other.getByText("Written on the phone.")).toHaveCount(0);
  await other.context().close();
});

test("a folder is kept up to date both ways", async ({ page, browser }, info) => {
  // The browser's own private folder stands in for one that the tuner picks: no dialog opens without a screen.
  await page.addInitScript(() => {
    Object.assign(window, { showDirectoryPicker: () => navigator.storage.getDirectory() });
  });
  await open(page, "/new");
  await page.goto("/data");
  await expect(page.getByText("There is nothing of your own here yet")).toBeVisible();

  // A rig of one's own, from another device.
  const other = await onAnotherDevice(browser);
  await open(other, new URL("/data", page.url()).href);
  await noted(other, "Seen on the laptop.");
  const zip = readFileSync(await exported(other, info, "laptop.zip"));
  await other.context().close();
  const own = info.outputPath("own.json");
  writeFileSync(own, ownRig());
  await page.getByLabel("File to import").setInputFiles(own);
  await page.getByRole("button", { name: "Import", exact: true }).click();
  await expect(page.getByText("Imported 1 entry, 1 new rig.")).toBeVisible();
  await expect(page.getByText("No backup of all your rigs yet: 1 entry is in no backup.")).toBeVisible();

  await page.getByRole("button", { name: "Choose a folder" }).click();
  await expect(page.getByText(/Last backup just now: nothing has been logged since/)).toBeVisible();
  const names = () =>
    page.evaluate(async () => {
      const found: string[] = [];
      const folder = (await navigator.storage.getDirectory()) as unknown as {
        keys: () => AsyncIterable<string>;
      };
      for await (const name of folder.keys()) found.push(name);
      return found;
    });
  expect(await names()).toEqual([expect.stringMatching(/^tamis-[a-z0-9]+\.zip$/)]);

  // What another device wrote there comes in: none of the demo's rigs, which stay where they are.
  await page.evaluate(
    async (bytes) => {
      const folder = await navigator.storage.getDirectory();
      const file = await (await folder.getFileHandle("tamis-laptop1.zip", { create: true })).createWritable();
      await file.write(new Uint8Array(bytes));
      await file.close();
    },
    [...zip],
  );
  await page.getByRole("button", { name: "Back up now" }).click();
  await expect(page.getByText(/Looked after just now/)).toBeVisible();
  await page.goto(`${RIG}/log`);
  await expect(page.getByText("Seen on the laptop.")).toHaveCount(0);

  // A file that is half carried over is said.
  await page.evaluate(async () => {
    const folder = await navigator.storage.getDirectory();
    const file = await (await folder.getFileHandle("tamis-laptop1.zip")).createWritable();
    await file.write("PK half");
    await file.close();
  });
  await page.goto("/data");
  await page.getByRole("button", { name: "Back up now" }).click();
  await expect(page.getByText(/tamis-laptop1.zip: This zip is cut short or damaged/).first()).toBeVisible();
  await page.getByRole("button", { name: "Keep it no more" }).click();
  await expect(page.getByRole("button", { name: "Choose a folder" })).toBeVisible();
});

test("names, notes and pictures that would do harm are only read", async ({ page }, info) => {
  const evil = `<img src=x onerror="window.hurt=1"><svg onload="window.hurt=1">`;
  const file = JSON.parse(ownRig()) as { rigs: [{ header: { name: string }; entries: object[] }] };
  const [rig] = file.rigs;
  rig.header.name = "<script>hurt</script>";
  const note = (id: string, text: string) => ({ id, at: "2026-05-24T10:00:00+02:00", kind: "note", text });
  rig.entries.push(note("note:evil1", evil), note("note:evil2", "\u202Egnp.exe then as before"));
  const path = info.outputPath("evil.json");
  writeFileSync(path, JSON.stringify(file));
  await page.goto("/data");
  await page.getByLabel("File to import").setInputFiles(path);
  await page.getByRole("button", { name: "Import", exact: true }).click();
  await expect(page.getByText(/^Imported 3 entries/)).toBeVisible();
  await page.goto("/");
  await expect(page.getByText("<script>hurt</script>")).toBeVisible();
  await page.goto("/find");
  await page.getByLabel("Search").fill("onerror");
  await expect(page.getByText(evil)).toBeVisible();
  await page.goto("/rigs/rig:own-0001/log");
  await expect(page.getByText(evil)).toBeVisible();
  // A text that runs backwards turns nothing round but itself.
  const line = page.getByRole("listitem").filter({ hasText: "gnp.exe" });
  const [time, note2] = [
    await line.getByRole("time").boundingBox(),
    await line.getByText("gnp.exe").boundingBox(),
  ];
  expect(time && note2 && time.x < note2.x).toBe(true);
  expect(await page.evaluate(() => "hurt" in window)).toBe(false);

  const photo = { id: "photo:evil", widthPx: 10, heightPx: 10 };
  const teardown = {
    id: "teardown:evil",
    at: "2026-05-24T11:00:00+02:00",
    kind: "teardown",
    step: "mainJet",
    moved: "out",
    reads: "",
    torque: "",
    note: "",
    photos: [photo],
  };
  const jpeg = Buffer.from("<svg xmlns='http://www.w3.org/2000/svg' onload='hurt()'/>").toString("base64");
  rig.entries.push(teardown);
  writeFileSync(path, JSON.stringify({ ...file, photos: [{ rigId: "rig:own-0001", id: photo.id, jpeg }] }));
  await page.goto("/data");
  await page.getByLabel("File to import").setInputFiles(path);
  await page.getByRole("button", { name: "Import", exact: true }).click();
  await expect(page.getByRole("alert")).toContainText("The photo photo:evil is no JPEG");
});

/** The enduro of the examples under another id. */
function ownRig(): string {
  const file = JSON.parse(readFileSync("docs/examples/log.json", "utf8")) as {
    rigs: [{ header: { id: string }; entries: { kind: string }[] }];
  };
  const [rig] = file.rigs;
  rig.header.id = "rig:own-0001";
  rig.entries = rig.entries.filter(({ kind }) => kind === "build").slice(0, 1);
  return JSON.stringify({ ...file, rigs: [rig] });
}

test("a large file says how far it is, and stopped on the way it brings nothing", async ({ page }, info) => {
  const file = JSON.parse(ownRig()) as { rigs: { header: { id: string }; entries: object[] }[] };
  const [rig] = file.rigs;
  if (!rig) throw new Error("no rig");
  file.rigs = Array.from({ length: 600 }, (_, i) => ({
    ...rig,
    header: { ...rig.header, id: `rig:many-${1000 + i}` },
  }));
  const path = info.outputPath("many.json");
  writeFileSync(path, JSON.stringify(file));
  await page.goto("/data");
  await page.getByLabel("File to import").setInputFiles(path);
  await page.getByRole("button", { name: "Import", exact: true }).click();
  await expect(page.getByRole("progressbar", { name: "Imported so far" })).toBeVisible();
  await page.getByRole("button", { name: "Stop" }).click();
  await expect(page.getByText("Stopped. Nothing was imported.")).toBeVisible();
  await expect(page.getByRole("progressbar")).toHaveCount(0);
  await page.goto("/");
  await expect(page.getByRole("link", { name: /250 enduro/ })).toBeVisible();
  await expect(page.locator('a[href*="rig:many-"]')).toHaveCount(0);
});
