/** Draws plugs, crowns and headers away from the screen; their bytes are handed over, not copied. */
import * as Comlink from "comlink";
import type { Picture } from "#core/pictures/picture.ts";
import { plugPicture, type PlugPicture } from "#core/pictures/plug-picture.ts";
import type { PlugScene } from "#core/pictures/plug-scene.ts";
import { crownPicture, headerPicture, type WitnessScene } from "#core/pictures/witness-pictures.ts";
import type { Answer } from "./protocol.ts";

/** @returns the picture, or why it cannot be drawn */
function handedOver<P extends Picture>(draw: () => P): Answer<P> {
  try {
    const picture = draw();
    return Comlink.transfer({ ok: true as const, value: picture }, [picture.pixels.buffer]);
  } catch (error) {
    if (error instanceof RangeError) return { ok: false, name: error.name, message: error.message };
    throw error;
  }
}

export const drawPlug = (scene: PlugScene, seed: number, sidePx: number): Answer<PlugPicture> =>
  handedOver(() => plugPicture(scene, seed, sidePx));

const WITNESSES = { crown: crownPicture, header: headerPicture };
export type Witness = keyof typeof WITNESSES;

export const drawWitness = (
  of: Witness,
  scene: WitnessScene,
  seed: number,
  sidePx: number,
): Answer<Picture> => handedOver(() => WITNESSES[of](scene, seed, sidePx));
