import { useState } from "react";
import type { Route } from "./+types/route";
import { useRig } from "#app/frame/use-rig.ts";
import { readDraft } from "#app/store/drafts.ts";
import { otherRigs, type OtherRig } from "./against.tsx";
import { KeptTrials, TRIALS, type KeptTrial } from "./kept.ts";
import { OnPaper } from "./OnPaper.tsx";

export async function clientLoader({ params }: Route.ClientLoaderArgs) {
  const [kept, rigs] = await Promise.all([
    readDraft(KeptTrials, params.rigId, TRIALS),
    otherRigs(params.rigId),
  ]);
  return { kept: kept ?? [], rigs };
}

/** Another carburettor has parts of its own: it begins at what is fitted there. */
function OfRig({ start, rigs }: { start: readonly KeptTrial[]; rigs: readonly OtherRig[] }) {
  const { carburettor } = useRig();
  const [kept, setKept] = useState(start);
  return <OnPaper key={carburettor} kept={kept} rigs={rigs} onKept={setKept} />;
}

export default function WhatIfRoute({ loaderData }: Route.ComponentProps) {
  return <OfRig key={useRig().header.id} start={loaderData.kept} rigs={loaderData.rigs} />;
}
