import { useEffect, useRef, useState } from "react";
import { data, useActionData, useNavigation, useSubmit } from "react-router";
import * as z from "zod/mini";
import type { Route } from "./+types/route";
import { WorkNameSchema } from "#core/log/epochs.ts";
import { correctableChanges } from "#core/log/corrections.ts";
import { Build } from "#core/log/schema.ts";
import { buildOfCarburettor, carburettorCount } from "#core/rig/carburettors.ts";
import { checkBuild } from "#core/rig/check-build.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { BuildEditor } from "./BuildEditor.tsx";
import { Face, NamePlate } from "./NamePlate.tsx";
import { WhatChanged } from "./WhatChanged.tsx";
import { renameRig } from "#app/store/rig-log.ts";
import { useToast } from "#app/ui/Toast.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { unlessOvertaken } from "#app/journal/seen.ts";
import { useSeen } from "#app/frame/use-seen.ts";
import { RigTabs } from "../RigTabs.tsx";
import { WorkPick, type WorkOrNone } from "../WorkPick.tsx";
import { openRig } from "#app/journal/open-rig.ts";
import { modelRefusal, logEntries, refused, type ActionProblem, readSent } from "#app/journal/save.ts";

const Sent = z.object({
  build: Build,
  what: z.union([WorkNameSchema, z.literal("measured")]),
  /** fields that were only measured better; the others that differ are other parts */
  corrects: z.array(z.string().check(z.maxLength(80))).check(z.maxLength(80)),
  why: z.string().check(z.maxLength(2000)),
  seen: z.optional(z.string().check(z.maxLength(80))),
});

async function rename(rigId: string, content: unknown) {
  const read = readSent(Face, content);
  if (!read.ok) return read.answer;
  const kept = await renameRig(rigId, read.sent.face);
  return kept.ok ? data({ renamed: true }) : refused({ message: kept.problem.message }, 507);
}

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const content: unknown = await request.json();
  if (typeof content === "object" && content !== null && "face" in content)
    return rename(params.rigId, content);
  const read = readSent(Sent, content, "This rig");
  if (!read.ok) return read.answer;
  const { what, why, corrects, seen } = read.sent;
  const rig = await openRig(params.rigId);
  const { settings } = rig.present;
  // The box is kept on its own screen; here it stays as it is now.
  const build = { ...read.sent.build, box: rig.build.box };
  const refusal = modelRefusal(() => {
    checkBuild(build);
    // What is fitted stays fitted: it must suit the machine as it is now, or nothing could be advised.
    for (let i = 0; i < carburettorCount(build); i += 1) {
      const one = buildOfCarburettor(build, i);
      checkSettingOn(one, settings[i] ?? one.baseline.setting);
    }
  });
  if (refusal !== undefined) return refused({ message: refusal });
  const logged = await logEntries(
    params.rigId,
    [
      {
        kind: "build",
        build,
        reopens: [],
        ...(corrects.length > 0 && { corrects }),
        why: why === "" && what === "measured" ? "Measured again" : why,
      },
      ...(what === "measured" ? [] : [{ kind: "work" as const, what, why }]),
    ],
    unlessOvertaken("build", seen),
  );
  return logged.ok ? data({ saved: true, seen: logged.ids[0] }) : refused(logged.problem, logged.status);
}

export default function RigBuildRoute() {
  const { build } = useRig();
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem & { saved?: true }>();
  const seen = useSeen("build", answer);
  const [what, setWhat] = useState<WorkOrNone>("measured");
  const [why, setWhy] = useState("");
  const [asked, setAsked] = useState<Build>();
  const say = useToast();
  const told = useRef(answer);
  // Saving keeps the place: sections stay open, what was typed stays typed.
  useEffect(() => {
    if (!answer?.saved || told.current === answer) return;
    told.current = answer;
    setAsked(undefined);
    setWhat("measured");
    setWhy("");
    say({ words: "Saved: the machine as it is from now on." });
  }, [answer, say]);
  const send = (next: Build, corrects: readonly string[]) => {
    const sent = { build: next, what, why, corrects, seen };
    void submit(JSON.stringify(sent), { method: "post", encType: "application/json" });
  };
  // Where it matters whether a number was measured better or the part is another, that is asked first.
  const save = (next: Build) => {
    if (correctableChanges(build, next).length > 0) setAsked(next);
    else send(next, []);
  };
  return (
    <div className="stack">
      <RigTabs />
      <div>
        <h1>The rig</h1>
        <p className="lead quiet">
          Every number as stamped or measured. Saving logs the machine as it is from now on; what is fitted
          stays fitted.
        </p>
      </div>
      <NamePlate />
      <BuildEditor
        start={build}
        saveWords="Save the rig"
        saving={saving}
        onSave={save}
        after={
          <section className="stack">
            <WorkPick value={what} onChange={setWhat} none="Measured or confirmed again" />
            <TypedField
              label="Words for the log"
              value={why}
              onChange={(event) => setWhy(event.target.value)}
              problem={answer?.fields?.["why"]}
              most={2000}
            />
            <Problem message={answer?.message} />
            {asked && (
              <WhatChanged
                before={build}
                after={asked}
                saving={saving}
                onSave={(corrects) => send(asked, corrects)}
                onBack={() => setAsked(undefined)}
              />
            )}
          </section>
        }
      />
    </div>
  );
}
