import Button from "@mui/material/Button";
import type { Zone } from "#core/carburettor/zones.ts";
import { MARKS_AFTER_S } from "#core/looks/plug.ts";
import type { PlugProtocol } from "#core/log/parts.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { HoldTimer } from "#app/ui/HoldTimer.tsx";
import { LAW_PAGE } from "#app/vocabulary/help.ts";
import { MARK_WORDS } from "./marks.ts";

export interface Mark {
  readonly by: PlugProtocol;
  /** seconds held, or laps */
  readonly amount?: number | undefined;
}

interface MarkProtocolProps {
  readonly zone: Zone;
  readonly mark: Mark | undefined;
  readonly onMark: (mark: Mark) => void;
}

const HOLD_S = 180;

/** How to colour a plug: steps, caution, clock or count of each method. */
export function MarkProtocol({ zone, mark, onMark }: MarkProtocolProps) {
  const by = mark?.by ?? (zone === "top" ? "pull" : "steady");
  const laps = mark?.by === "laps" ? (mark.amount ?? 0) : 0;
  const { steps, caution } = MARK_WORDS[by];
  return (
    <details className="protocol">
      <summary>How to mark it{mark ? `: ${MARK_WORDS[mark.by].name.toLowerCase()}` : ""}</summary>
      <div className="stack">
        <Choice
          label="The mark is made by"
          value={by}
          options={(["steady", "pull", "laps"] as const).map((value) => ({
            value,
            text: MARK_WORDS[value].name,
          }))}
          onChange={(value) => onMark({ by: value })}
        />
        <ol className="steps">
          {steps.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ol>
        {by === "steady" && (
          <HoldTimer
            seconds={HOLD_S}
            start="Start the three minutes"
            done="Marked: cut it clean"
            onHeld={(amount) => onMark({ by, amount })}
          />
        )}
        {by === "laps" && (
          <div className="row">
            <Button variant="outlined" onClick={() => onMark({ by, amount: laps + 1 })}>
              Count a lap
            </Button>
            <strong className="big-figure" role="status">
              {laps}
            </strong>
            {laps > 0 && <Button onClick={() => onMark({ by, amount: laps - 1 })}>One less</Button>}
          </div>
        )}
        {by === "steady" && mark?.amount !== undefined && (
          <p className="quiet flush">
            Held for {mark.amount} s
            {mark.amount < MARKS_AFTER_S ? ": too short to mark it well, so it counts less" : ""}.
          </p>
        )}
        <Caution page={LAW_PAGE}>{caution}</Caution>
      </div>
    </details>
  );
}
