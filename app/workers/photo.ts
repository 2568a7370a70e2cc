/** Photos are scaled down away from the screen: a camera's twelve megabytes become a readable two hundred kilobytes. */
import type { Answer } from "./protocol.ts";

export interface SmallPhoto {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly widthPx: number;
  readonly heightPx: number;
}

const LARGEST_BYTES = 40 * 1024 * 1024;
const LONGEST_SIDE_PX = 1280;
const QUALITY = 0.8;

const failed = (message: string): Answer<SmallPhoto> => ({ ok: false, name: "PhotoError", message });

/** @returns sides no longer than the limit, in the same proportion, at least one pixel each */
export function scaledDown(width: number, height: number): { widthPx: number; heightPx: number } {
  const scale = Math.min(1, LONGEST_SIDE_PX / Math.max(width, height));
  return {
    widthPx: Math.max(1, Math.round(width * scale)),
    heightPx: Math.max(1, Math.round(height * scale)),
  };
}

/** @returns the photo as a small JPEG, or words why it is none */
export async function shrinkPhoto(file: Blob): Promise<Answer<SmallPhoto>> {
  if (file.size === 0) return failed("This file is empty. Choose a photo.");
  if (file.size > LARGEST_BYTES) return failed("This file is over 40 MB. Choose a smaller photo.");
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    return failed("This is no photo that this browser can read. Choose a JPEG or PNG.");
  }
  const { widthPx, heightPx } = scaledDown(bitmap.width, bitmap.height);
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  const context = canvas.getContext("2d");
  if (!context) return failed("This browser cannot scale photos down here. Use its newest version.");
  context.drawImage(bitmap, 0, 0, widthPx, heightPx);
  bitmap.close();
  const blob = await canvas.convertToBlob({ type: "image/jpeg", quality: QUALITY });
  return { ok: true, value: { bytes: new Uint8Array(await blob.arrayBuffer()), widthPx, heightPx } };
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
