import { data } from "react-router";
import * as z from "zod/mini";
import { RigId } from "#core/log/schema.ts";
import { refused } from "#app/journal/save.ts";
import {
  forgetSaid,
  NamedInstrument,
  readInstrumentNames,
  writeInstrumentNames,
} from "#app/store/instruments.ts";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { countWords } from "#app/vocabulary/counts.ts";
import { loadDemo } from "#app/journal/demo.ts";
import { localInstant } from "#app/journal/clock.ts";
import { noteGone, notGone } from "#app/store/backup-folder.ts";
import { removeRig, removeRigs } from "#app/store/book.ts";
import { isDemo } from "#app/store/demo-rigs.ts";
import { failed, type StoreProblem } from "#app/store/failure.ts";
import { importInWorker, lookAtInWorker } from "#app/store/book-file/in-worker.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { bringIn } from "#app/store/leftovers.ts";
import { dropSnapshot, putBack } from "#app/store/snapshots.ts";

export const SentInstrument = { kind: NamedInstrument.shape.kind, name: z.string() };

const SentFile = z.instanceof(Blob, { message: "Choose a file first." });

export const Tasks = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("lookAt"), file: SentFile }),
  z.object({ intent: z.literal("import"), file: SentFile, name: z.string().check(z.maxLength(300)) }),
  z.object({ intent: z.literal("putBack"), at: z.string() }),
  z.object({ intent: z.literal("dropSnapshot"), at: z.string() }),
  z.object({ intent: z.literal("remove"), rigId: RigId }),
  z.object({ intent: z.literal("wipeDemo") }),
  z.object({ intent: z.literal("loadDemo") }),
  z.object({ intent: z.literal("bringIn") }),
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

export async function bringInLeft() {
  const came = await bringIn(localInstant());
  if (!came.ok) return refused({ message: came.problem.message }, 507);
  const { entries } = came.value;
  return data({ said: `Brought in ${countWords(entries, "entry", "entries")}.` }, { status: 200 });
}

export async function bringDemoBack() {
  const loaded = await loadDemo();
  if (!loaded.ok) return refused({ message: loaded.problem.message }, 507);
  return data({ said: `The demo is back: ${loaded.value.rigs} of its rigs came.` }, { status: 200 });
}

/** What a worker throws is for the screen too. */
const broken = (error: unknown) => failed("refused", wordsOf(error));

const refusedFile = ({ reason, message }: StoreProblem) =>
  refused({ message }, reason === "refused" ? 400 : 409);

export async function lookAtFile(file: Blob) {
  if (file.size === 0) return refused({ message: "This file is empty. Choose another." });
  const looked = await lookAtInWorker(file).catch(broken);
  return looked.ok ? data({ coming: looked.value }, { status: 200 }) : refusedFile(looked.problem);
}

export async function importFile(file: Blob, name: string) {
  const snapshot = { at: localInstant(), why: `Before the import of ${name}`.slice(0, 300) };
  const merged = await importInWorker(file, { snapshot }).catch(broken);
  if (!merged.ok) return refusedFile(merged.problem);
  const { rigs, entries, rigIds } = merged.value;
  await notGone(rigIds);
  const said =
    entries === 0
      ? "Everything in this file is already here."
      : `Imported ${entries} ${entries === 1 ? "entry" : "entries"}${rigs > 0 ? `, ${rigs} new ${rigs === 1 ? "rig" : "rigs"}` : ""}.`;
  return data({ said }, { status: 200 });
}

export async function snapshotTask({ intent, at }: { intent: "putBack" | "dropSnapshot"; at: string }) {
  const done = intent === "putBack" ? await putBack(at, localInstant()) : await dropSnapshot(at);
  if (!done.ok) return refused({ message: done.problem.message }, 409);
  return data(
    { said: intent === "putBack" ? "The book is as it was then." : "Thrown away." },
    { status: 200 },
  );
}

export async function deleteRig(rigId: string) {
  // Noted first: were the browser closed in between, a kept folder would bring the rig back.
  await noteGone([rigId]);
  const removed = await removeRig(rigId);
  if (!removed.ok) {
    await notGone([rigId]);
    return refused({ message: removed.problem.message }, 507);
  }
  await forgetSaid(rigId);
  return data({ said: "The rig and its log are gone." }, { status: 200 });
}

export async function nameInstrument({
  intent,
  kind,
  name,
}: Extract<z.infer<typeof Tasks>, { kind: string }>) {
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
