import type { Zone } from "#core/carburettor/zones.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import { ToneDot } from "#app/ui/ToneDot.tsx";
import { useJudge } from "#app/frame/use-judge.ts";
import { nextWords } from "#app/vocabulary/next.ts";
import { atZone, TONE_MEANINGS } from "#app/vocabulary/parts.ts";

/** Where the next look would tell most: the zone the advice is about. */
const zoneInQuestion = ({ next }: Advice): Zone => (next.kind === "ride" ? next.zone : undefined) ?? "top";

/** What would change the advice: what each tone of a plug there would lead to. */
export function OutlookTable({ advice }: { advice: Advice }) {
  const zone = zoneInQuestion(advice);
  const { value: rows, working, problem } = useJudge({ ask: "outlook", zone });
  if (problem !== undefined) return <p className="quiet">{problem}</p>;
  if (!rows || working) return <p className="quiet">Working out what would change it…</p>;
  return (
    <table className="figures">
      <caption className="label">What would change it: a clean plug {atZone(zone)} that shows</caption>
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
