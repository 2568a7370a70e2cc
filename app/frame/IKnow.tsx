import Button from "@mui/material/Button";
import { lazy, Suspense, useState } from "react";
import type { RigContext } from "./use-rig.ts";

/** Loaded on the first tap: most cards are not held back. */
const KnowDialog = lazy(() => import("./KnowDialog.tsx"));

/** The way past a card that is held back: with a reason, which is logged. */
export function IKnow({ context }: { context: RigContext }) {
  const [asking, setAsking] = useState(false);
  return (
    <>
      <Button variant="outlined" color="error" onClick={() => setAsking(true)} className="start">
        I know
      </Button>
      {asking && (
        <Suspense fallback={null}>
          <KnowDialog context={context} onDone={() => setAsking(false)} />
        </Suspense>
      )}
    </>
  );
}
