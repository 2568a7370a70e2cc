import { boxJets } from "#core/rig/box.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { rigAction } from "#app/journal/rig-action.ts";
import { modelRefusal } from "#app/journal/save.ts";
import { BoxEditor } from "./BoxEditor.tsx";
import { ToBuyWords } from "./Drawers.tsx";
import { BoxForm } from "./form.ts";

export const clientAction = rigAction({
  codec: BoxForm,
  form: "box",
  what: "This box",
  entries: (box, { rig }) => {
    const next = { ...rig.build, box };
    const refusal = modelRefusal(() => [...boxJets(next, "pilot"), ...boxJets(next, "main")]);
    return refusal ?? [{ kind: "box", box, why: "" }];
  },
  on: "box",
});

export default function BoxRoute() {
  const { build, fitted, advice } = useRig();
  return (
    <div className="stack">
      <div>
        <h1>The jet box</h1>
        <p className="lead quiet">
          Advice uses only what is in it. One size a time, or a range in one go: 150 to 175 by 2.5.
        </p>
      </div>
      {advice && <ToBuyWords buy={advice.buy} />}
      <BoxEditor build={build} fitted={fitted} card={advice?.card.setting ?? fitted} />
    </div>
  );
}
