import css from "../rig.module.css";
import { useWatch } from "react-hook-form";
import { type Build, type Setting } from "#core/log/schema.ts";
import { boxJets, type BoxJet } from "#core/rig/box.ts";
import type { ToBuy } from "#core/advice/parts/to-buy.ts";
import { BoxForm, type BoxTexts } from "./form.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { jetWords } from "#app/vocabulary/jets.ts";
import { partInSentence } from "#app/vocabulary/parts.ts";

/** The jets as a drawer shows them: what each works as, which is fitted, which the card wants. */
export function Drawer({
  jets,
  fitted,
  wanted,
  label,
}: {
  jets: readonly BoxJet[];
  fitted: number;
  wanted: number;
  label: string;
}) {
  return (
    <ul className={css["jets"]} aria-label={label}>
      {jets.map((jet) => (
        <li
          key={jet.number}
          className={jet.number === fitted ? css["fitted"] : jet.number === wanted ? css["wanted"] : ""}
        >
          <b>{jet.number}</b>
          <small>
            {jet.number === fitted ? "fitted" : jet.number === wanted ? "to fit" : ""} {jetWords(jet)}
          </small>
        </li>
      ))}
      {jets.length === 0 && <li className="quiet">None yet.</li>}
    </ul>
  );
}

export function ToBuyWords({ buy }: { buy: readonly ToBuy[] }) {
  if (buy.length === 0)
    return <Caution plain>Nothing to buy. No other jet would help enough to notice.</Caution>;
  return (
    <Caution plain>
      Worth buying or borrowing:{" "}
      {buy.map(({ part, number }) => `${partInSentence(part)} about ${number}`).join(", ")}.
    </Caution>
  );
}

/** What the fields hold now, as far as it can be read: the drawers follow the typing. */
export function Drawers({ build, fitted, card }: { build: Build; fitted: Setting; card: Setting }) {
  const texts = useWatch<BoxTexts>();
  const parsed = BoxForm.safeParse(texts);
  const now = parsed.success ? { ...build, box: parsed.data } : build;
  return (
    <>
      <h2 className="label">Main jets, in this carburettor’s numbers</h2>
      <Drawer label="Main jets" jets={boxJets(now, "main")} fitted={fitted.main} wanted={card.main} />
      <h2 className="label">Pilot jets</h2>
      <Drawer label="Pilot jets" jets={boxJets(now, "pilot")} fitted={fitted.pilot} wanted={card.pilot} />
    </>
  );
}
