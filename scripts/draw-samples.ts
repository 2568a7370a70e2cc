/**
 * Draws the sample photos of plugs that ship with the app: photo-like (lamp light, grain, a paper for white,
 * out-of-focus background), each of a known tone. Run by hand when they are to change: `npm run samples`.
 */
import { mkdirSync, writeFileSync } from "node:fs";
import { chromium } from "@playwright/test";
import { TONE_COLOURS } from "../core/photo/tone-colours.ts";
import { LAUNCH } from "../e2e/browser.ts";

const FOLDER = "public/samples";
const SAMPLES = [
  { name: "plug-biscuit", tone: TONE_COLOURS.biscuit, light: [1, 0.93, 0.78] },
  { name: "plug-umber", tone: TONE_COLOURS.umber, light: [0.86, 0.93, 1] },
  { name: "plug-bone", tone: TONE_COLOURS.bone, light: [0.8, 0.74, 0.62] },
] as const;

/** Runs in the page: no name of this file may be used in it. */
function draw({ tone, light }: { tone: string; light: readonly number[] }): string {
  const [width, height] = [640, 480];
  const canvas = document.createElement("canvas");
  Object.assign(canvas, { width, height });
  const context = canvas.getContext("2d")!;
  const disc = (x: number, y: number, r: number, fill: string | CanvasGradient) => {
    context.fillStyle = fill;
    context.beginPath();
    context.arc(x, y, r, 0, 2 * Math.PI);
    context.fill();
  };
  const round = (x: number, y: number, r: number, inner: string, outer: string) => {
    const shade = context.createRadialGradient(x - r / 3, y - r / 3, r / 10, x, y, r);
    shade.addColorStop(0, inner);
    shade.addColorStop(1, outer);
    return shade;
  };
  context.fillStyle = "#6d6a64";
  context.fillRect(0, 0, width, height);
  context.save();
  context.filter = "blur(14px)";
  for (let i = 0; i < 9; i += 1) disc(60 + i * 75, 90 + ((i * 97) % 300), 60, i % 2 ? "#57534c" : "#807b72");
  context.restore();
  // the white: a folded paper, lower right
  context.fillStyle = "#f3f3f3";
  context.beginPath();
  context.moveTo(440, 320);
  context.lineTo(625, 300);
  context.lineTo(632, 462);
  context.lineTo(452, 470);
  context.fill();
  // the plug from the front
  const [x, y] = [260, 230];
  disc(x, y, 176, round(x, y, 176, "#b9b7b0", "#6f6c66"));
  disc(x, y, 148, round(x, y, 148, "#3b3631", "#24211e"));
  disc(x, y, 96, tone);
  context.save();
  context.globalAlpha = 0.16;
  disc(x - 22, y - 26, 58, "#ffffff");
  context.restore();
  disc(x, y, 30, round(x, y, 30, "#a9a49a", "#5d5850"));
  context.fillStyle = "#7d766b";
  context.fillRect(x - 22, y - 176, 44, 150);
  // light and grain, as a sensor has them
  const image = context.getImageData(0, 0, width, height);
  let seed = 7;
  const noise = () => {
    seed = (seed * 1664525 + 1013904223) % 4294967296;
    return seed / 4294967296 - 0.5;
  };
  for (let i = 0; i < image.data.length; i += 4) {
    const [px, py] = [(i / 4) % width, Math.floor(i / 4 / width)];
    const fall = 1 - 0.18 * Math.hypot((px - 300) / width, (py - 240) / height);
    const grain = 14 * noise();
    for (let c = 0; c < 3; c += 1) {
      const linear = ((image.data[i + c] ?? 0) / 255) ** 2.2 * (light[c] ?? 1) * fall * 0.9;
      image.data[i + c] = 255 * linear ** (1 / 2.2) + grain;
    }
  }
  context.putImageData(image, 0, 0);
  return canvas.toDataURL("image/jpeg", 0.82);
}

const browser = await chromium.launch(LAUNCH);
const page = await browser.newPage();
// The bundler that runs this file wraps named functions; the page has no such helper.
await page.addInitScript("globalThis.__name = (fn) => fn");
await page.goto("about:blank");
await page.evaluate("globalThis.__name = (fn) => fn");
mkdirSync(FOLDER, { recursive: true });
for (const { name, tone, light } of SAMPLES) {
  const url = await page.evaluate(draw, { tone, light });
  const bytes = Buffer.from(url.split(",")[1] ?? "", "base64");
  writeFileSync(`${FOLDER}/${name}.jpg`, bytes);
  console.log(`${FOLDER}/${name}.jpg: ${Math.round(bytes.length / 1024)} KiB`);
}
await browser.close();
