/** What a card is tapped with: asked for once it is drawn. */
import { later } from "#app/ui/later.tsx";

export const CardTaps = later(() => import("./card/CardTaps.tsx"));
export const IKnow = later(() => import("./IKnow.tsx"));
