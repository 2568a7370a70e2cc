/** The tuner's instruments by name, on Data: what is learnt of one is known to all rigs. */
import Button from "@mui/material/Button";
import { useFetcher } from "react-router";
import { INSTRUMENT_KINDS } from "#core/looks/instruments.ts";
import { PickField } from "#app/ui/PickField.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import type { NamedInstrument } from "#app/store/instruments.ts";
import { Problem } from "#app/ui/Problem.tsx";
import type { ActionProblem } from "#app/journal/save.ts";
import { INSTRUMENT_WORDS } from "#app/vocabulary/instruments.ts";

export function Instruments({ names }: { names: readonly NamedInstrument[] }) {
  const fetcher = useFetcher<ActionProblem>();
  const busy = fetcher.state !== "idle";
  return (
    <section className="stack">
      <h2>Instruments</h2>
      <p className="quiet flush">
        A reader, a sensor, a rider: looks of one err together, and how it errs is learnt over days and rigs.
        Each kind has one without a name; name the others, and Look asks which it was.
      </p>
      <ul className="plain">
        {names.map(({ kind, name }) => (
          <li key={`${kind} ${name}`} className="row">
            <span>
              <strong>{name}</strong> <span className="quiet">{INSTRUMENT_WORDS[kind].name}</span>
            </span>
            <Button
              variant="outlined"
              disabled={busy}
              aria-label={`Take ${name} off the list`}
              onClick={() =>
                void fetcher.submit({ intent: "dropInstrument", kind, name }, { method: "post" })
              }
            >
              Off the list
            </Button>
          </li>
        ))}
      </ul>
      <fetcher.Form method="post" className="row" key={names.length}>
        <input type="hidden" name="intent" value="nameInstrument" />
        <PickField
          name="kind"
          label="Kind"
          defaultValue="reader"
          options={INSTRUMENT_KINDS.map((kind) => [kind, INSTRUMENT_WORDS[kind].name] as const)}
          sx={{ minWidth: 180 }}
        />
        <TypedField name="name" label="Name" problem={fetcher.data?.fields?.["name"]} most={60} />
        <Button type="submit" variant="outlined" disabled={busy}>
          Name it
        </Button>
      </fetcher.Form>
      <Problem message={fetcher.data?.message} />
    </section>
  );
}
