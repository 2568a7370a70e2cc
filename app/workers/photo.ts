/** Scales photos down in the worker and reads tones from them. */
import { patchOf, toneOfColour, type ToneRead } from "#core/photo/tone-of-colour.ts";
import type { Answer } from "./protocol.ts";

export interface SmallPhoto {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly widthPx: number;
  readonly heightPx: number;
}

const LARGEST_BYTES = 40 * 1024 * 1024;
const LONGEST_SIDE_PX = 1280;
const QUALITY = 0.8;

const LARGEST_PIXELS = 80_000_000;

const failed = (message: string): Answer<never> => ({ ok: false, name: "PhotoError", message });

/** @returns sides no longer than the limit, in the same proportion, at least one pixel each */
export function scaledDown(width: number, height: number): { widthPx: number; heightPx: number } {
  const scale = Math.min(1, LONGEST_SIDE_PX / Math.max(width, height));
  return {
    widthPx: Math.max(1, Math.round(width * scale)),
    heightPx: Math.max(1, Math.round(height * scale)),
  };
}

interface Drawn {
  readonly canvas: OffscreenCanvas;
  readonly context: OffscreenCanvasRenderingContext2D;
}

/** @returns the photo drawn small, or words why it is none */
async function drawSmall(file: Blob): Promise<Answer<Drawn>> {
  if (file.size === 0) return failed("This file is empty. Choose a photo.");
  if (file.size > LARGEST_BYTES) return failed("This file is over 40 MB. Choose a smaller photo.");
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    return failed("This is no photo that this browser can read. Choose a JPEG or PNG.");
  }
  if (bitmap.width * bitmap.height > LARGEST_PIXELS) {
    bitmap.close();
    return failed("This photo has over 80 megapixels. Take a smaller one.");
  }
  const { widthPx, heightPx } = scaledDown(bitmap.width, bitmap.height);
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  const context = canvas.getContext("2d", { willReadFrequently: true });
  if (!context) return failed("This browser cannot scale photos down here. Use its newest version.");
  context.drawImage(bitmap, 0, 0, widthPx, heightPx);
  bitmap.close();
  return { ok: true, value: { canvas, context } };
}

/** @returns the photo as a small JPEG, or words why it is none */
export async function shrinkPhoto(file: Blob): Promise<Answer<SmallPhoto>> {
  const drawn = await drawSmall(file);
  return drawn.ok ? { ok: true, value: await asJpeg(drawn.value.canvas) } : drawn;
}

async function asJpeg(canvas: OffscreenCanvas): Promise<SmallPhoto> {
  const { width: widthPx, height: heightPx } = canvas;
  const blob = await canvas.convertToBlob({ type: "image/jpeg", quality: QUALITY });
  return { bytes: new Uint8Array(await blob.arrayBuffer()), widthPx, heightPx };
}

/** A place on a photo, as shares of its width and height. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** The photo that tones are being read from. */
let opened: Drawn | undefined;

/** Keeps a photo for any number of readings. */
export async function openPhoto(file: Blob): Promise<Answer<SmallPhoto>> {
  const drawn = await drawSmall(file);
  if (!drawn.ok) return drawn;
  opened = drawn.value;
  return { ok: true, value: await asJpeg(opened.canvas) };
}

/** So large is the patch about a spot, as a share of the shorter side. */
const PATCH_SHARE = 0.02;

/** @returns the tone of the porcelain at one spot against the white at another */
export function readTone(porcelain: Spot, white: Spot): Answer<ToneRead> {
  if (!opened) return failed("The photo is no longer open. Choose it again.");
  const { canvas, context } = opened;
  const side = Math.max(3, Math.round(PATCH_SHARE * Math.min(canvas.width, canvas.height)));
  const pixels = ({ x, y }: Spot) => {
    const at = (share: number, length: number) =>
      Math.min(Math.max(0, Math.round(share * length - side / 2)), Math.max(0, length - side));
    return context.getImageData(at(x, canvas.width), at(y, canvas.height), side, side).data;
  };
  return { ok: true, value: toneOfColour(patchOf(pixels(porcelain)), patchOf(pixels(white))) };
}

const CHUNK = 0x8000;

export function toBase64(bytes: Uint8Array): string {
  let binary = "";
  for (let i = 0; i < bytes.length; i += CHUNK)
    binary += String.fromCharCode(...bytes.subarray(i, i + CHUNK));
  return btoa(binary);
}

export function fromBase64(text: string): Uint8Array<ArrayBuffer> {
  return Uint8Array.from(atob(text), (sign) => sign.charCodeAt(0));
}
