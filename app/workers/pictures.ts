/** Draws plugs away from the screen; their bytes are handed over, not copied. */
import * as Comlink from "comlink";
import { plugPicture, type PlugPicture } from "#core/pictures/plug-picture.ts";
import type { PlugScene } from "#core/pictures/plug-scene.ts";
import type { Answer } from "./protocol.ts";

/** @returns the picture, or why it cannot be drawn */
export function drawPlug(scene: PlugScene, seed: number, sidePx: number): Answer<PlugPicture> {
  try {
    const picture = plugPicture(scene, seed, sidePx);
    return Comlink.transfer({ ok: true as const, value: picture }, [picture.pixels.buffer]);
  } catch (error) {
    if (error instanceof RangeError) return { ok: false, name: error.name, message: error.message };
    throw error;
  }
}
