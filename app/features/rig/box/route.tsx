import * as z from "zod/mini";
import { useState } from "react";
import { data, useActionData } from "react-router";
import type { Route } from "./+types/route";
import { Box } from "#core/log/schema.ts";
import { boxJets } from "#core/rig/box.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { newestOf, unlessOvertaken } from "#app/journal/seen.ts";
import { useSeen } from "#app/frame/use-seen.ts";
import { RigTabs } from "../RigTabs.tsx";
import { openRig } from "#app/journal/open-rig.ts";
import { modelRefusal, refused, type ActionProblem, logEntries, readSent } from "#app/journal/save.ts";
import { ToBuyWords } from "./Drawers.tsx";
import { BoxEditor } from "./BoxEditor.tsx";

const Sent = z.object({ box: Box, seen: z.optional(z.string().check(z.maxLength(80))) });

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const read = readSent(Sent, await request.json(), "This box");
  if (!read.ok) return read.answer;
  const { box, seen } = read.sent;
  const { build } = await openRig(params.rigId);
  const next = { ...build, box };
  const refusal = modelRefusal(() => [...boxJets(next, "pilot"), ...boxJets(next, "main")]);
  if (refusal !== undefined) return refused({ message: refusal });
  const logged = await logEntries(
    params.rigId,
    [{ kind: "box", box, why: "" }],
    unlessOvertaken("box", seen),
  );
  return logged.ok ? data({ saved: true, seen: logged.ids[0] }) : refused(logged.problem, logged.status);
}

export default function BoxRoute() {
  const { build, fitted, advice, present } = useRig();
  const answer = useActionData<ActionProblem & { saved?: true }>();
  const seen = useSeen("box", answer);
  // What another tab saves leaves the fields as they are.
  const [saved, setSaved] = useState("");
  if (answer?.saved && saved !== seen && newestOf(present, "box") === seen) setSaved(seen);
  return (
    <div className="stack">
      <RigTabs />
      <div>
        <h1>The jet box</h1>
        <p className="lead quiet">
          Advice uses only what is in it. One size a time, or a range in one go: 150 to 175 by 2.5.
        </p>
      </div>
      {advice && <ToBuyWords buy={advice.buy} />}
      <BoxEditor
        build={build}
        fitted={fitted}
        card={advice?.card.setting ?? fitted}
        seen={seen}
        saved={saved}
        answer={answer}
      />
    </div>
  );
}
