import { lazy, Suspense } from "react";
import type { Advice } from "#core/advice/advise.ts";
import type { RigContext } from "../use-rig.ts";

/** Most rigs have one. */
const CarburettorTabs = lazy(() => import("./CarburettorTabs.tsx"));

/** Carburettors that differ have a card each; those set alike share one. */
export const WhichCarburettor = ({ context, advice }: { context: RigContext; advice: Advice }) =>
  advice.groups > 1 && (
    <Suspense fallback={null}>
      <CarburettorTabs context={context} />
    </Suspense>
  );
