/** A hole looked through: what its setting would do along the throttle, and what it would cost. */
import Button from "@mui/material/Button";
import { Link } from "react-router";
import type { Setting } from "#core/log/schema.ts";
import { ZONES } from "#core/carburettor/zones.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Working } from "#app/ui/Working.tsx";
import { MiniStrip } from "#app/frame/strip/Strip.tsx";
import { changeHref } from "#app/frame/change-href.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import type { RigContext } from "#app/frame/use-rig.ts";
import {
  capital,
  certainty,
  mixtureWords,
  percentWords,
  shiftWords,
  ZONE_NAMES,
} from "#app/vocabulary/parts.ts";
import { changesWords } from "./words.ts";

interface HolePanelProps {
  readonly context: RigContext;
  readonly setting: Setting;
  /** chance to be the best of all */
  readonly best: number;
  readonly open: boolean;
}

export function HolePanel({ context, setting, best, open }: HolePanelProps) {
  const { advice } = context;
  const { value, problem } = useJudge({ ask: "trial", asked: { setting } });
  if (problem !== undefined) return <Caution grave>{problem}</Caution>;
  if (!value || !advice) return <Working words="Looking through the hole…" />;
  const changes = changesWords(value.fitted, value.setting);
  return (
    <section className="stack" aria-label="This hole">
      <div>
        <h2>{changes === "" ? "This is what is fitted" : capital(changes)}</h2>
        <p className="quiet close">
          {open ? `The best of all: ${certainty(best)}. ` : "Closed: the looks speak against it. "}
          {changes !== "" && `Better than what is fitted: ${certainty(value.chanceBetter)}. `}
          Past the lean limit at full throttle: {percentWords(value.leanRisk)}.
        </p>
      </div>
      {!value.safe && (
        <Caution grave>Too likely past the lean limit at full throttle. Tamis will not advise it.</Caution>
      )}
      {changes !== "" && (
        <div>
          <span className="label">As fitted</span>
          <MiniStrip advice={advice} label="Mixture along the throttle as it is fitted" />
        </div>
      )}
      <div>
        <span className="label">With it</span>
        <MiniStrip advice={value} label="Mixture along the throttle with this setting" />
      </div>
      <div className="scroll-x">
        <table className="figures">
          <caption className="label">Zone by zone</caption>
          <thead>
            <tr>
              <th scope="col">Zone</th>
              <th scope="col">As fitted</th>
              <th scope="col">Moves</th>
              <th scope="col">With it</th>
              <th scope="col">Right</th>
            </tr>
          </thead>
          <tbody>
            {ZONES.map((zone, i) => (
              <tr key={zone}>
                <th scope="row">{ZONE_NAMES[zone]}</th>
                <td>{mixtureWords(advice.zones[i]?.mean ?? 0)}</td>
                <td>{Math.abs(value.moves[zone]) < 0.001 ? "–" : shiftWords(value.moves[zone])}</td>
                <td>{mixtureWords(value.zones[i]?.mean ?? 0)}</td>
                <td>{percentWords(value.zones[i]?.pRight ?? 0)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {changes !== "" && (
        <div className="row">
          <Button component={Link} to={changeHref(context, setting)} variant="outlined">
            Fit this instead
          </Button>
          <span className="quiet">Nothing is logged until you say there that it is fitted.</span>
        </div>
      )}
    </section>
  );
}
