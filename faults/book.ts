/** Rigs for a book that is to be broken, and what a tuner sees of it afterwards. */
import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { PORT } from "../e2e/browser.ts";

export const ORIGIN = `http://localhost:${PORT}`;
export const OWN = "rig:own-0001";

interface RigFile {
  readonly header: { readonly id: string; readonly name: string; readonly plate: string };
  readonly entries: readonly { readonly id: string; readonly at: string; readonly kind: string }[];
}

/** Some rigs of many days each, made of the example's: every day a note and an air. */
export function rigs(count: number, days: number): readonly RigFile[] {
  const example = JSON.parse(readFileSync("docs/examples/log.json", "utf8")) as { rigs: [RigFile] };
  const [{ header, entries }] = example.rigs;
  const builds = entries.filter(({ kind }) => kind === "build").slice(0, 1);
  return Array.from({ length: count }, (_, n) => ({
    header: { ...header, id: `rig:own-000${n + 1}`, name: `Own ${n + 1}`, plate: String(n + 1) },
    entries: [
      ...builds,
      ...Array.from({ length: days }, (_day, day) => ({
        id: `note:${n}-${String(day).padStart(5, "0")}`,
        at: `${new Date(Date.UTC(2026, 5, 1 + day)).toISOString().slice(0, 10)}T10:00:00+02:00`,
        kind: "note",
        text: `Day ${day}.`,
      })),
    ],
  }));
}

export const fileOf = (all: readonly RigFile[]) => ({
  name: "own.json",
  mimeType: "application/json",
  buffer: Buffer.from(
    JSON.stringify({ format: "tamis", version: 7, savedAt: "2026-11-01T10:00:00+02:00", rigs: all }),
  ),
});

export async function importFile(page: Page, all: readonly RigFile[], origin = ORIGIN): Promise<void> {
  await page.goto(`${origin}/data`);
  await page.getByLabel("File to import").setInputFiles(fileOf(all));
  await page.getByRole("button", { name: "Import", exact: true }).click();
  await expect(page.getByText(/^Imported \d+ entries/)).toBeVisible();
}

/** @returns how many entries each rig has, as its own rail says; nothing where a rig is not there */
export async function counts(page: Page): Promise<Record<string, number>> {
  await page.goto(`${ORIGIN}/data`);
  await expect(page.getByRole("heading", { level: 1, name: "Data" })).toBeVisible();
  await expect(page.getByRole("alert")).toHaveCount(0);
  const ids = await page.getByText(/^rig:own-/).allTextContents();
  const found: Record<string, number> = {};
  for (const id of ids) {
    await page.goto(`${ORIGIN}/rigs/${id}/log`);
    const link = page.getByRole("navigation").first().getByRole("link", { name: /^Log/ });
    await expect(link).toContainText(/\d/);
    found[id] = Number(/\d+/.exec((await link.textContent()) ?? "")?.[0]);
  }
  return found;
}

export async function writeNote(page: Page, text: string): Promise<void> {
  await page.getByRole("textbox", { name: "Note" }).fill(text);
  await page.getByRole("button", { name: "Add note" }).click();
}
