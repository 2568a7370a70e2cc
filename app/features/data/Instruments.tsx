/** The tuner's instruments by name, on Data: what is learnt of one is known to all rigs. */
import * as z from "zod/mini";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { INSTRUMENT_KINDS } from "#core/looks/instruments.ts";
import { PickField } from "#app/ui/PickField.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import type { NamedInstrument } from "#app/store/instruments.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { INSTRUMENT_WORDS } from "#app/vocabulary/instruments.ts";
import { SentInstrument } from "./tasks.ts";
import { useTask } from "./use-task.ts";

const NamedAs = z.object(SentInstrument);

interface InstrumentsProps {
  readonly names: readonly NamedInstrument[];
  /** readers whose rounds of the trainer count for their readings */
  readonly practised: readonly (string | undefined)[];
}

export function Instruments({ names, practised }: InstrumentsProps) {
  const { send, busy, answer } = useTask();
  return (
    <section className="stack">
      <h2>Instruments</h2>
      <p className="quiet flush">
        A reader, a sensor, a rider. Each has its own error, and Tamis learns it over days and rigs. Each kind
        has one without a name; name the others, and Look asks which it was.
      </p>
      {practised.map((reader) => (
        <p className="flush" key={reader ?? ""}>
          <strong>{reader ?? "The usual reader"}</strong>: practised on drawn plugs, and that counts.{" "}
          <Link to="/trainer">Take it back in the trainer</Link>
        </p>
      ))}
      <ul className="plain">
        {names.map((one) => (
          <li key={`${one.kind} ${one.name}`} className="row">
            <span>
              <strong>{one.name}</strong> <span className="quiet">{INSTRUMENT_WORDS[one.kind].name}</span>
            </span>
            <Button
              variant="outlined"
              disabled={busy}
              aria-label={`Take ${one.name} off the list`}
              onClick={() => send({ intent: "dropInstrument", ...one })}
            >
              Off the list
            </Button>
          </li>
        ))}
      </ul>
      <form
        className="row"
        key={names.length}
        onSubmit={(event) => {
          event.preventDefault();
          send({
            intent: "nameInstrument",
            ...NamedAs.parse(Object.fromEntries(new FormData(event.currentTarget))),
          });
        }}
      >
        <PickField
          name="kind"
          label="Kind"
          defaultValue="reader"
          options={INSTRUMENT_KINDS.map((kind) => [kind, INSTRUMENT_WORDS[kind].name] as const)}
          sx={{ minWidth: 180 }}
        />
        <TypedField name="name" label="Name" problem={answer?.fields?.["name"]} most={60} />
        <Button type="submit" variant="outlined" disabled={busy}>
          Name it
        </Button>
      </form>
      <Problem message={answer?.message} />
    </section>
  );
}
