/** A fault that no jet cures: what it does, what one notices, what it is taken for, what proves it. */
import { Link, useParams } from "react-router";
import type { Route } from "./+types/fault";
import { FAULTS } from "#core/faults/registry.ts";
import { FaultNameSchema } from "#core/log/fault-names.ts";
import type { Symptom } from "#core/log/symptom-names.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { ELSE_TELLS, FAULT_WORDS, TAKEN_FOR } from "#app/vocabulary/faults.ts";
import { FINDING_WORDS } from "#app/vocabulary/findings.ts";
import { checkPage } from "#app/vocabulary/help.ts";
import { capital } from "#app/vocabulary/parts.ts";
import { SYMPTOM_WORDS } from "#app/vocabulary/symptoms.ts";
import { CHECK_WORDS } from "#app/vocabulary/walk-round.ts";
import { CHECK_GUIDE, REMEDY_WORDS } from "#app/vocabulary/walk-round-guide.ts";
import { handbookMeta } from "./meta.ts";
import { NoSuchPage } from "./NoSuchPage.tsx";
import { WideTable } from "./WideTable.tsx";

const named = (fault: string | undefined) => FaultNameSchema.safeParse(fault);

export const meta = ({ params }: Route.MetaArgs) => {
  const fault = named(params.fault);
  return handbookMeta(fault.success ? capital(FAULT_WORDS[fault.data].name) : undefined);
};

export default function FaultPage() {
  const { fault: asked } = useParams();
  const read = named(asked);
  if (!read.success) return <NoSuchPage />;
  const fault = read.data;
  const { check, findings = [], makes = {} } = FAULTS[fault];
  const noticed = (Object.entries(makes) as [Symptom, number][]).sort(([, a], [, b]) => b - a);
  const { caution } = CHECK_GUIDE[check];
  return (
    <>
      <h1>{capital(FAULT_WORDS[fault].name)}</h1>
      <p>{FAULT_WORDS[fault].does}</p>
      {noticed.length > 0 && (
        <>
          <h2>What you notice</h2>
          <ul>
            {noticed.map(([symptom]) => (
              <li key={symptom}>{SYMPTOM_WORDS[symptom]}</li>
            ))}
          </ul>
        </>
      )}
      <h2>What it is taken for</h2>
      <p>{TAKEN_FOR[fault]}</p>
      <h2>What proves it</h2>
      {caution !== undefined && <Caution>{caution}</Caution>}
      <p>
        The check: <Link to={checkPage(check)}>{CHECK_WORDS[check].title}</Link>. {ELSE_TELLS[fault]}
      </p>
      {findings.length > 0 && (
        <WideTable>
          <thead>
            <tr>
              <th scope="col">You find</th>
              <th scope="col">Do this</th>
            </tr>
          </thead>
          <tbody>
            {findings.map((finding) => (
              <tr key={finding}>
                <th scope="row">{FINDING_WORDS[finding]}</th>
                <td>{REMEDY_WORDS[finding]}</td>
              </tr>
            ))}
          </tbody>
        </WideTable>
      )}
      <h2>Afterwards</h2>
      <p>
        Write down on the rig that it was mended. Looks that were taken on the fault then count no longer, and
        the setting of before comes back.
      </p>
    </>
  );
}
