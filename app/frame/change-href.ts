/** Link that opens Change with a setting filled in. */
import { PARTS } from "#core/log/parts.ts";
import type { Setting } from "#core/log/schema.ts";
import { placeHref } from "./places.ts";
import type { RigContext } from "./use-rig.ts";

/** @returns Change with all parts of it typed in, for the carburettor that the card is for where they differ */
export function changeHref({ header, advice, carburettor }: RigContext, setting: Setting): string {
  const typed = new URLSearchParams(PARTS.map((part) => [part, String(setting[part])]));
  if ((advice?.groups ?? 1) > 1) typed.set("carburettor", String(carburettor + 1));
  return `${placeHref(header.id, "change")}?${typed.toString()}`;
}
