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
import { bringIn } from "#app/store/leftovers.ts";
import { dropSnapshot, putBack } from "#app/store/snapshots.ts";

export const SentInstrument = { kind: NamedInstrument.shape.kind, name: z.string() };

export const Tasks = z.discriminatedUnion("intent", [
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
export type Task = z.input<typeof Tasks>;

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
