/** The microphone of a real browser, fed from a file of sound: an engine is heard, and a refusal is said. */
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, type Page } from "@playwright/test";
import { seededRandom } from "#core/numbers/random.ts";
import { amongNoise, drawSoundingEngine, soundOf } from "#core/simulator/exhaust-sound.ts";
import { otherSound, type OtherSound } from "#core/simulator/other-sounds.ts";
import { expect, test } from "./test.ts";
import { RIG } from "./app.ts";
import { FIRST_VISIT, LAUNCH, PORT } from "./browser.ts";

const RATE = 48_000;

/** Sixteen bits, one channel, as every player reads. */
function waveFile(sound: Float32Array): Buffer {
  const data = Buffer.alloc(44 + 2 * sound.length);
  data.write("RIFF", 0);
  data.writeUInt32LE(36 + 2 * sound.length, 4);
  data.write("WAVEfmt ", 8);
  data.writeUInt32LE(16, 16);
  data.writeUInt16LE(1, 20);
  data.writeUInt16LE(1, 22);
  data.writeUInt32LE(RATE, 24);
  data.writeUInt32LE(2 * RATE, 28);
  data.writeUInt16LE(2, 32);
  data.writeUInt16LE(16, 34);
  data.write("data", 36);
  data.writeUInt32LE(2 * sound.length, 40);
  sound.forEach((value, i) =>
    data.writeInt16LE(Math.round(32_000 * Math.max(-1, Math.min(1, value))), 44 + 2 * i),
  );
  return data;
}

function fileOf(name: string, sound: Float32Array): string {
  const path = join(mkdtempSync(join(tmpdir(), "tamis-sound-")), `${name}.wav`);
  writeFileSync(path, waveFile(sound));
  return path;
}

function engineFile(rpm: number): string {
  const random = seededRandom(21);
  const engine = {
    ...drawSoundingEngine(random),
    strokes: 2,
    cylinders: 1,
    loudness: [1],
    misfires: 0,
    rpm,
  } as const;
  return fileOf("engine", amongNoise(soundOf(engine, 20, RATE, random).sound, 15, RATE, random));
}

function otherFile(kind: OtherSound): string {
  const random = seededRandom(5);
  return fileOf(kind, amongNoise(otherSound(kind, 20, RATE, random), 20, RATE, random));
}

/** The idle bench in a browser of its own, whose microphone hears a file again and again. */
async function listening(path: string, run: (page: Page) => Promise<void>): Promise<void> {
  const browser = await chromium.launch({
    ...LAUNCH,
    args: [
      ...LAUNCH.args,
      "--use-fake-device-for-media-stream",
      "--use-fake-ui-for-media-stream",
      `--use-file-for-fake-audio-capture=${path}`,
    ],
  });
  try {
    const context = await browser.newContext({
      baseURL: `http://localhost:${PORT}`,
      storageState: FIRST_VISIT,
      serviceWorkers: "block",
    });
    const page = await context.newPage();
    await page.goto(`${RIG}/idle`);
    await page.getByRole("button", { name: "Listen by microphone" }).click();
    await run(page);
  } finally {
    await browser.close();
  }
}

test("an idle is heard by the microphone and settles as with any tachometer, and leaving lets go of it", () =>
  listening(engineFile(1740), async (page) => {
    await expect(page.getByText(/^Heard by the microphone/)).toBeVisible();
    await expect(page.getByText(/^17[0-9]{2}$/).first()).toBeVisible();
    await expect(page.getByText(/^Settled for/)).toBeVisible();
    await page.getByRole("button", { name: "Disconnect" }).click();
    await expect(page.getByRole("button", { name: "Listen by microphone" })).toBeVisible();
    await expect(page.getByText(/^Heard by the microphone/)).toHaveCount(0);
  }));

test("a voice is no engine", () =>
  listening(otherFile("voice"), async (page) => {
    await expect(page.getByText(/^Not sure: /)).toBeVisible();
    await page.waitForTimeout(2500);
    await expect(page.getByText(/^Heard by the microphone/)).toHaveCount(0);
  }));

test("a hum of the mains is asked about, not taken for an idle", () =>
  listening(otherFile("mains"), async (page) => {
    await expect(
      page.getByText(/That is far from this engine’s idle|as steady as mains hum/).first(),
    ).toBeVisible();
    await page.waitForTimeout(2500);
    await expect(page.getByText(/^Heard by the microphone/)).toHaveCount(0);
  }));

test("a microphone that is not allowed is said, with what works instead", async ({ page }) => {
  // Which refusal a browser gives by itself depends on the sound of the machine: the one meant is said here.
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () =>
      Promise.reject(new DOMException("Permission denied", "NotAllowedError"));
  });
  await page.goto(`${RIG}/idle`);
  await page.getByRole("button", { name: "Listen by microphone" }).click();
  await expect(page.getByText(/The microphone was not allowed\. Allow it for this page/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Simulated tachometer" })).toBeVisible();
});
