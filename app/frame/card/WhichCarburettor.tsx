import type { Advice } from "#core/advice/card/advise.ts";
import { later } from "#app/ui/later.tsx";
import type { RigContext } from "../use-rig.ts";

/** Most rigs have one. */
const CarburettorTabs = later(() => import("./CarburettorTabs.tsx"));

/** Carburettors that differ have a card each; those set alike share one. */
export const WhichCarburettor = ({ context, advice }: { context: RigContext; advice: Advice }) =>
  advice.groups > 1 && <CarburettorTabs context={context} />;
