/** Photos and logger's files that are none, or not quite: answered in words, nothing lost. */
import { deflateSync } from "node:zlib";
import { expect, test } from "./test.ts";
import { openRig } from "./app.ts";
import { chooseLog as choose, rideRows as rows } from "./logger-files.ts";

/** A PNG of one grey, written without a library: its size is what counts. */
function greyPng(width: number, height: number): Buffer {
  const table = Array.from({ length: 256 }, (_, n) => {
    let c = n;
    for (let k = 0; k < 8; k += 1) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
    return c >>> 0;
  });
  const crc = (bytes: Buffer) =>
    (bytes.reduce((c, byte) => (table[(c ^ byte) & 255] ?? 0) ^ (c >>> 8), 0xffffffff) ^ 0xffffffff) >>> 0;
  const chunk = (type: string, body: Buffer) => {
    const data = Buffer.concat([Buffer.from(type, "latin1"), body]);
    const [length, check] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(body.length);
    check.writeUInt32BE(crc(data));
    return Buffer.concat([length, data, check]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head[8] = 8;
  const row = Buffer.alloc(width + 1, 128);
  row[0] = 0;
  const pixels = deflateSync(Buffer.concat(Array.from({ length: height }, () => row)), { level: 1 });
  const signature = Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]);
  return Buffer.concat([
    signature,
    chunk("IHDR", head),
    chunk("IDAT", pixels),
    chunk("IEND", Buffer.alloc(0)),
  ]);
}

test("a photo that is none is refused, one of forty megapixels is read, and the look is kept", async ({
  page,
}) => {
  await openRig(page, "/look?zone=top");
  await page.getByRole("radio", { name: /cocoa/ }).click();
  await page.getByRole("button", { name: "Read it from a photo" }).click();
  const input = page.getByLabel("Photo of the plug");
  await input.setInputFiles({
    name: "note.jpg",
    mimeType: "image/jpeg",
    buffer: Buffer.from("no photo at all"),
  });
  await expect(page.getByRole("alert")).toContainText("no photo that this browser can read");
  await input.setInputFiles({ name: "large.png", mimeType: "image/png", buffer: greyPng(8000, 5000) });
  await expect(page.getByText("Tap the porcelain near its root.")).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole("alert")).toHaveCount(0);
  await expect(page.getByRole("radio", { name: /cocoa/ })).toBeChecked();
});

test("bad files are answered in words; time that goes back keeps the longest session", async ({ page }) => {
  await openRig(page, "/logger");
  const alert = page.getByRole("alert").first();
  await choose(page, "picture.csv", Buffer.from([0x89, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13, 73, 72]));
  await expect(alert).toContainText("no text file");
  await choose(page, "empty.csv", "");
  await expect(alert).toContainText("empty");
  await choose(page, "prose.csv", "It ran well.\nThen it did not.\n");
  await expect(alert).toContainText("No rows of figures");
  const good = rows(() => 0.9);
  const ragged = `Time,Throttle,Lambda\n${good}\n0.00,45\n0.05,45,0.9\n0.10,oops,0.9`;
  await choose(page, "two.csv", Buffer.from(`\uFEFF${ragged}`, "utf16le"));
  await page.getByRole("button", { name: "Read the file" }).click();
  await expect(
    page.getByText(/1 rows are cut short and were passed over, the first in line 2002/),
  ).toBeVisible();
  await expect(page.getByText(/The time goes back once: the longest stretch was read/)).toBeVisible();
  await expect(page.getByRole("table", { name: /Mixture by zone/ })).toContainText("0.900");
  await expect(page.getByRole("button", { name: /^Log 4 looks/ })).toBeVisible();
});
