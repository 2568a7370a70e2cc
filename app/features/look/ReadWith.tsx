/** Which reader or sensor was used; asked only where several are known. */
import type { InstrumentKind } from "#core/looks/instruments.ts";
import type { NamedInstrument } from "#app/store/instruments.ts";
import { Choice } from "#app/ui/Choice.tsx";
import { INSTRUMENT_WORDS } from "#app/vocabulary/instruments.ts";
import type { HowName } from "#app/frame/look-query.ts";

const KIND_OF: Readonly<Partial<Record<HowName, InstrumentKind>>> = {
  plug: "reader",
  witness: "reader",
  lambda: "lambda",
  temperature: "temperature",
  ride: "ride",
};
/** The rig's usual one has no name. */
const USUAL = "";

interface ReadWithProps {
  readonly how: HowName;
  readonly names: readonly NamedInstrument[];
  readonly value: string;
  readonly onChange: (name: string) => void;
}

export function ReadWith({ how, names, value, onChange }: ReadWithProps) {
  const kind = KIND_OF[how];
  const own = names.filter((one) => one.kind === kind);
  if (kind === undefined || own.length === 0) return null;
  return (
    <Choice
      label={INSTRUMENT_WORDS[kind].name}
      value={own.some(({ name }) => name === value) ? value : USUAL}
      options={[{ value: USUAL, text: "The usual" }, ...own.map(({ name }) => ({ value: name, text: name }))]}
      onChange={onChange}
    />
  );
}
