/** Logger's files for the tests. */
import type { Page } from "@playwright/test";

const file = (name: string, text: string | Buffer) => ({
  name,
  mimeType: "text/csv",
  buffer: Buffer.isBuffer(text) ? text : Buffer.from(text),
});
export const chooseLog = (page: Page, name: string, text: string | Buffer) =>
  page.getByLabel("Logger’s file").setInputFiles(file(name, text));

/** A ride of a hundred seconds at one opening after the other. */
export const rideRows = (lambda: (opening: number) => number, scale = 1) =>
  Array.from({ length: 2000 }, (_, i) => {
    const opening = [5, 18, 45, 95][Math.floor(i / 500)] ?? 95;
    return `${(i / 20).toFixed(2)},${opening},${(scale * lambda(opening)).toFixed(3)}`;
  }).join("\n");
