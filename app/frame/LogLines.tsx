import clsx from "clsx";
import css from "./frame.module.css";
import Undo from "@mui/icons-material/Undo";
import { Link } from "react-router";
import type { LogLine } from "#core/log/present.ts";
import { useSayProblem } from "#app/ui/Toast.tsx";
import { ToneDot } from "#app/ui/ToneDot.tsx";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { KIND_NAMES, lineWords } from "#app/vocabulary/entries.ts";
import { placeHref } from "./places.ts";
import type { RigContext } from "./use-rig.ts";
import { useTap } from "./use-tap.ts";

function Strike({ line, rigId }: { line: LogLine; rigId: string }) {
  const { send, busy, answer } = useTap(rigId);
  useSayProblem(answer);
  const { entry, struck } = line;
  if (struck || entry.kind === "build") return <span className={css["undo"]} />;
  const words = entry.kind === "strike" ? "Bring it back" : `Strike this ${KIND_NAMES[entry.kind]} through`;
  const why = `${KIND_NAMES[entry.kind]} of ${entry.at.slice(11, 16)} struck through`;
  return (
    <button
      type="button"
      className={clsx(css["undo"], css["icon-button"], "no-print")}
      aria-label={words}
      title={words}
      disabled={busy}
      onClick={() => send({ intent: "strike", strikes: entry.id, why })}
    >
      <Undo fontSize="small" />
    </button>
  );
}

interface LogLineItemProps {
  readonly line: LogLine;
  readonly context: RigContext;
  /** a change leads to what was advised just before it */
  readonly withThen?: boolean;
}

export function LogLineItem({ line, context, withThen = false }: LogLineItemProps) {
  const { entry, struck, setAside } = line;
  const { kind, what, result } = lineWords(
    line,
    context.preferences,
    fuelFromLog(context.build.fuel).stoichiometric,
  );
  const tone = entry.kind === "look" && entry.reading.type === "plug" ? entry.reading.tone : undefined;
  const simulated = "simulated" in entry && entry.simulated === true;
  return (
    <div className={clsx(css["line"], struck && css["struck"], setAside !== undefined && css["set-aside"])}>
      {withThen && entry.kind === "fit" ? (
        <Link
          className={css["then"]}
          to={`${placeHref(context.header.id, "then")}?${new URLSearchParams({ entry: entry.id }).toString()}`}
          title="As it was then"
        >
          <time dateTime={entry.at}>{entry.at.slice(11, 16)}</time>
          <span className="visually-hidden">: as it was then</span>
        </Link>
      ) : (
        <time dateTime={entry.at}>{entry.at.slice(11, 16)}</time>
      )}
      <span className={css["kind"]}>{kind}</span>
      <span className={css["what"]}>
        {what}
        {struck && <span className="visually-hidden"> (struck through)</span>}
        {setAside !== undefined && <small className={css["aside"]}> set aside: {setAside}</small>}
        {simulated && !context.header.simulated && <small className="quiet"> simulated</small>}
      </span>
      <span className={css["result"]}>
        {tone && <ToneDot tone={tone} />}
        {result}
      </span>
      <Strike line={line} rigId={context.header.id} />
    </div>
  );
}

export function LogLines({ lines, context }: { lines: readonly LogLine[]; context: RigContext }) {
  if (lines.length === 0)
    return (
      <p className="quiet">
        Start with the air. Read it where the engine breathes, in the shade, off the ground.
      </p>
    );
  return (
    <ol className="lines">
      {lines.map((line) => (
        <li key={line.entry.id}>
          <LogLineItem line={line} context={context} />
        </li>
      ))}
    </ol>
  );
}
