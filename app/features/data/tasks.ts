import { data } from "react-router";
import * as z from "zod";
import { RigId } from "#core/log/schema.ts";
import { refused } from "#app/journal/save.ts";
import { NamedInstrument, readInstrumentNames, writeInstrumentNames } from "#app/store/instruments.ts";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { loadDemo } from "#app/journal/demo.ts";
import { removeRigs } from "#app/store/book.ts";
import { isDemo } from "#app/store/demo-rigs.ts";
import { failed } from "#app/store/failure.ts";
import { importInWorker } from "#app/store/importing.ts";

export const SentInstrument = { kind: NamedInstrument.shape.kind, name: z.string() };

export const Tasks = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("import"), file: z.instanceof(Blob, { message: "Choose a file first." }) }),
  z.object({ intent: z.literal("remove"), rigId: RigId }),
  z.object({ intent: z.literal("wipeDemo") }),
  z.object({ intent: z.literal("loadDemo") }),
  z.object({ intent: z.literal("preferences"), ...Preferences.shape }),
  z.object({ intent: z.literal("nameInstrument"), ...SentInstrument }),
  z.object({ intent: z.literal("dropInstrument"), ...SentInstrument }),
]);

export async function wipeDemo() {
  const wiped = await removeRigs(isDemo);
  return wiped.ok
    ? data({ said: "The demo is gone. Your own rigs are as they were." }, { status: 200 })
    : refused({ message: wiped.problem.message }, 507);
}

export async function bringDemoBack() {
  const loaded = await loadDemo();
  if (!loaded.ok) return refused({ message: loaded.problem.message }, 507);
  return data({ said: `The demo is back: ${loaded.value.rigs} of its rigs came.` }, { status: 200 });
}

export async function importFile(file: Blob) {
  if (file.size === 0) return refused({ message: "Choose a file first: this one is empty." });
  const merged = await importInWorker(file).catch((error: unknown) =>
    failed("refused", error instanceof Error ? error.message : "The import broke off. Try again."),
  );
  if (!merged.ok)
    return refused({ message: merged.problem.message }, merged.problem.reason === "refused" ? 400 : 409);
  const { rigs, entries } = merged.value;
  const said =
    entries === 0
      ? "Everything in this file is already here."
      : `Imported ${entries} entries${rigs > 0 ? `, ${rigs} new ${rigs === 1 ? "rig" : "rigs"}` : ""}.`;
  return data({ said }, { status: 200 });
}

export async function nameInstrument({
  intent,
  kind,
  name,
}: Extract<z.infer<typeof Tasks>, { name: string }>) {
  const parsed = NamedInstrument.safeParse({ kind, name });
  if (!parsed.success) return refused({ fields: { name: "A name has 1 to 40 signs." } });
  const names = await readInstrumentNames();
  const same = (one: NamedInstrument) => one.kind === kind && one.name === parsed.data.name;
  if (intent === "nameInstrument" && names.some(same))
    return refused({ fields: { name: "There is one of that name already." } });
  const next = intent === "nameInstrument" ? [...names, parsed.data] : names.filter((one) => !same(one));
  try {
    await writeInstrumentNames(next);
  } catch {
    return refused({ message: "This device could not keep it. Nothing was changed." }, 507);
  }
  return data({ said: "Saved." }, { status: 200 });
}
