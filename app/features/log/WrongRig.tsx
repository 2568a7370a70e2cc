/** Looks logged on the wrong machine: which, and where they belong. */
import css from "./log.module.css";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { isMovable } from "#core/log/moved.ts";
import type { Header } from "#core/log/schema.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { PickField } from "#app/ui/PickField.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useToast } from "#app/ui/Toast.tsx";
import type { RigContext } from "#app/frame/use-rig.ts";
import type { ActionProblem } from "#app/journal/save.ts";
import { lineWords } from "#app/vocabulary/entries.ts";

/** What went wrong is noticed soon: the newest few are offered. */
const OFFERED = 10;

interface WrongRigProps {
  readonly context: RigContext;
  readonly others: readonly Header[];
  readonly onDone: () => void;
}

export function WrongRig({ context, others, onDone }: WrongRigProps) {
  const { present, preferences, build } = context;
  const fetcher = useFetcher<ActionProblem & { said?: string }>();
  const say = useToast();
  const lines = present.lines.filter(isMovable).slice(-OFFERED).reverse();
  const [to, setTo] = useState(others[0]?.id ?? "");
  const [chosen, setChosen] = useState<ReadonlySet<string>>(
    () => new Set(lines.slice(0, 1).map(({ entry }) => entry.id)),
  );
  const said = fetcher.state === "idle" ? fetcher.data?.said : undefined;
  useEffect(() => {
    if (said === undefined) return;
    say({ words: said });
    onDone();
  }, [said, say, onDone]);
  const toggle = (id: string) => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
  };
  const move = () => {
    const sent = { ids: lines.map(({ entry }) => entry.id).filter((id) => chosen.has(id)), to };
    void fetcher.submit(JSON.stringify(sent), { method: "post", encType: "application/json" });
  };
  return (
    <Dialog open fullWidth onClose={onDone} aria-labelledby="wrong-rig">
      <DialogTitle id="wrong-rig">That was the wrong rig</DialogTitle>
      <DialogContent className="stack">
        <p className="flush">
          Ticked entries go to the other rig’s log at their own time, and are crossed out here.
        </p>
        <PickField
          label="It was meant for"
          value={to}
          onChange={({ target }) => setTo(target.value)}
          options={others.map(({ id, name, plate }) => [id, `${plate} · ${name}`])}
          margin="dense"
        />
        <div role="group" aria-label="What goes there">
          {lines.map((line) => {
            const { entry } = line;
            const { kind, what, result } = lineWords(
              line,
              preferences,
              fuelFromLog(build.fuel).stoichiometric,
            );
            return (
              <FormControlLabel
                key={entry.id}
                className={css["offered"]}
                control={<Checkbox checked={chosen.has(entry.id)} onChange={() => toggle(entry.id)} />}
                label={`${entry.at.slice(0, 10)} ${entry.at.slice(11, 16)} · ${kind}: ${what}${result === "" ? "" : `, ${result}`}`}
              />
            );
          })}
        </div>
        <Problem message={fetcher.data?.message} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onDone}>Leave them here</Button>
        <Button variant="contained" disabled={chosen.size === 0 || fetcher.state !== "idle"} onClick={move}>
          {chosen.size === 1 ? "Move it" : `Move ${chosen.size}`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
