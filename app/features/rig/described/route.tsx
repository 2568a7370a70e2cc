import { useState } from "react";
import { Controller } from "react-hook-form";
import { correctableChanges } from "#core/log/corrections.ts";
import type { Build } from "#core/log/schema.ts";
import { buildOfCarburettor, carburettorCount } from "#core/rig/carburettors.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { rigAction } from "#app/journal/rig-action.ts";
import { modelRefusal, type Content } from "#app/journal/save.ts";
import { FormField } from "#app/ui/form-fields.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useToast } from "#app/ui/Toast.tsx";
import { WorkPick } from "../WorkPick.tsx";
import { BuildEditor } from "./BuildEditor.tsx";
import { DescribedForm, type DescribedTexts } from "./form.ts";
import { NamePlate } from "./NamePlate.tsx";
import { buildTexts } from "./texts.ts";
import { WhatChanged } from "./WhatChanged.tsx";

export const clientAction = rigAction({
  codec: DescribedForm,
  form: "build",
  what: "This rig",
  entries: ({ build: typed, what, why, corrects }, { rig }) => {
    const { settings } = rig.present;
    // The box is kept on its own screen; here it stays as it is now.
    const build = { ...typed, box: rig.build.box };
    // What is fitted stays fitted: it must suit the machine as it is now, or nothing could be advised.
    const refusal = modelRefusal(() => {
      for (let i = 0; i < carburettorCount(build); i += 1) {
        const one = buildOfCarburettor(build, i);
        checkSettingOn(one, settings[i] ?? one.baseline.setting);
      }
    });
    if (refusal) return { message: refusal.message };
    const described: Content = {
      kind: "build",
      build,
      reopens: [],
      ...(corrects.length > 0 && { corrects }),
      why: why === "" && what === "measured" ? "Measured again" : why,
    };
    return what === "measured" ? [described] : [described, { kind: "work", what, why }];
  },
  on: "build",
});

export default function RigBuildRoute() {
  const { build, preferences } = useRig();
  const [asked, setAsked] = useState<Build>();
  const say = useToast();
  // Saving keeps the place: sections stay open, what was typed stays typed.
  const form = useRigForm(
    "build",
    DescribedForm,
    { ...buildTexts(build, preferences), what: "measured", why: "" },
    {
      on: "build",
      // What is wrong may lie folded: it is opened first.
      bringsIntoView: true,
      saved: (sent) => {
        setAsked(undefined);
        say({ words: "Saved: the machine as it is from now on." });
        return { ...sent, what: "measured" as const, why: "" };
      },
    },
  );
  const { saving, answer, send } = form;
  // Where it matters whether a number was measured better or the part is another, that is asked first.
  const save = ({ build: next }: { build: Build }) => {
    if (correctableChanges(build, next).length > 0) setAsked(next);
    else send();
  };
  return (
    <div className="stack">
      <div>
        <h1>The rig</h1>
        <p className="lead quiet">
          Every number as stamped or measured. Saving logs the machine as it is from now on. What is fitted
          stays fitted.
        </p>
      </div>
      <NamePlate />
      <BuildEditor
        start={build}
        form={form}
        saveWords="Save the rig"
        onSave={save}
        after={
          <section className="stack">
            <Controller
              control={form.methods.control}
              name="what"
              render={({ field: { value, onChange } }) => (
                <WorkPick value={value} onChange={onChange} none="Measured or confirmed again" />
              )}
            />
            <FormField<DescribedTexts> name="why" label="Words for the log" most={2000} />
            <Problem message={answer?.message} />
            {asked && (
              <WhatChanged
                before={build}
                after={asked}
                saving={saving}
                onSave={(corrects) => send({ corrects })}
                onBack={() => setAsked(undefined)}
              />
            )}
          </section>
        }
      />
    </div>
  );
}
