import { useEffect, useState } from "react";
import type { Zone } from "#core/carburettor/zones.ts";
import type { Advice } from "#core/advice/advise.ts";
import type { Outlook } from "#core/advice/outlook.ts";
import { ToneDot } from "#app/ui/ToneDot.tsx";
import { askOutlook } from "#app/journal/judge.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { nextWords } from "#app/vocabulary/next.ts";
import { TONE_MEANINGS, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import type { RigContext } from "#app/frame/use-rig.ts";

/** Where the next look would tell most: the zone the advice is about. */
const zoneInQuestion = ({ next }: Advice): Zone => (next.kind === "look" ? next.zone : undefined) ?? "top";

/** What would change the advice: what each tone of a plug there would lead to. */
export function OutlookTable({ context, advice }: { context: RigContext; advice: Advice }) {
  const { revision, present } = context;
  const zone = zoneInQuestion(advice);
  const question = `${revision} ${zone}`;
  const [answer, setAnswer] = useState<{ question: string; rows?: Outlook[]; problem?: string }>();
  useEffect(() => {
    let current = true;
    const entries = present.lines.map(({ entry }) => entry);
    askOutlook(revision, entries, zone).then(
      (rows) => current && setAnswer({ question, rows }),
      (error: unknown) => current && setAnswer({ question, problem: wordsOf(error) }),
    );
    return () => {
      current = false;
    };
    // The question names revision and zone; the lines belong to the revision.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [question]);
  const rows = answer?.question === question ? answer.rows : undefined;
  if (answer?.problem !== undefined) return <p className="quiet">{answer.problem}</p>;
  if (!rows) return <p className="quiet">Working out what would change it…</p>;
  return (
    <table className="figures">
      <caption className="label">
        What would change it: a clean plug in the {ZONE_NAMES[zone].toLowerCase()} that shows
      </caption>
      <tbody>
        {rows.map(({ tone, advice: after }) => (
          <tr key={tone}>
            <th scope="row">
              <span className="row" style={{ gap: 8, flexWrap: "nowrap" }}>
                <ToneDot tone={tone} /> {tone}
              </span>
            </th>
            <td className="quiet">{TONE_MEANINGS[tone]}</td>
            <td>{nextWords(after).title}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
