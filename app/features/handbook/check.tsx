/** A check of the walk-round: why, how, with what, and what each thing that it can find means. */
import { useParams } from "react-router";
import type { Route } from "./+types/check";
import { CheckName } from "#core/log/walk-round-names.ts";
import type { FindingName } from "#core/log/walk-round-names.ts";
import { CHECK_PLAN, type Finding } from "#core/walkround/checks.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { FINDING_WORDS } from "#app/vocabulary/findings.ts";
import { CHECK_WORDS } from "#app/vocabulary/walk-round.ts";
import { CHECK_GUIDE, EFFECT_WORDS, REMEDY_WORDS } from "#app/vocabulary/walk-round-guide.ts";
import { NoSuchPage } from "./NoSuchPage.tsx";
import { handbookMeta } from "./meta.ts";
import { WideTable } from "./WideTable.tsx";

const named = (check: string | undefined) => CheckName.safeParse(check);

export const meta = ({ params }: Route.MetaArgs) => {
  const check = named(params.check);
  return handbookMeta(check.success ? CHECK_WORDS[check.data].title : undefined);
};

export default function CheckPage() {
  const { check: asked } = useParams();
  const read = named(asked);
  if (!read.success) return <NoSuchPage />;
  const check = read.data;
  const guide = CHECK_GUIDE[check];
  const findings = Object.entries(CHECK_PLAN[check].findings) as [FindingName, Finding][];
  return (
    <>
      <h1>{CHECK_WORDS[check].title}</h1>
      <p>{guide.why}</p>
      {guide.caution !== undefined && <Caution>{guide.caution}</Caution>}
      <h2>How</h2>
      <ol>
        {guide.steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <p>
        <strong>You need:</strong> {guide.tools.charAt(0).toLowerCase() + guide.tools.slice(1)}.
      </p>
      <h2>What you may find</h2>
      <WideTable>
        <thead>
          <tr>
            <th scope="col">You find</th>
            <th scope="col">It</th>
            <th scope="col">Do this</th>
          </tr>
        </thead>
        <tbody>
          {findings.map(([finding, { effect, gravity }]) => (
            <tr key={finding}>
              <th scope="row">{FINDING_WORDS[finding]}</th>
              <td>
                {EFFECT_WORDS[effect]}
                {gravity === "stop" && ": a stop"}
              </td>
              <td>{REMEDY_WORDS[finding]}</td>
            </tr>
          ))}
        </tbody>
      </WideTable>
      <p>
        A <strong>stop</strong> holds the card back until it is mended. Limits come from your manual: type
        them once into the base sheet.
      </p>
    </>
  );
}
