/**
 * The tuner's instruments: their names, and what each rig's looks say of their errors. A rig hears what the others
 * say. The demo's rigs have readers of their own, practice rigs no real engine: they neither tell nor hear.
 */
import * as z from "zod/mini";
import { combinedMessages } from "#core/belief/instrument-message.ts";
import { InstrumentMessage } from "#core/log/schema.ts";
import { InstrumentName } from "#core/log/readings/common.ts";
import { INSTRUMENT_KINDS, instrumentKey } from "#core/looks/instruments.ts";
import { database, metaKey } from "./database.ts";
import { isDemo } from "./demo-rigs.ts";
import { isPractice } from "./practice-rigs.ts";
import { withLock } from "./locks.ts";

const Messages = z.array(InstrumentMessage);

export const NamedInstrument = z.strictObject({ kind: z.enum(INSTRUMENT_KINDS), name: InstrumentName });
export type NamedInstrument = z.infer<typeof NamedInstrument>;

const Kept = z.strictObject({
  names: z._default(z.array(NamedInstrument).check(z.maxLength(40)), []),
  /** by rig */
  said: z._default(z.record(z.string(), Messages), {}),
  /** with a file, by rigs that are not in this book */
  brought: z._default(z.record(z.string(), Messages), {}),
  /** of readers, by drawn plugs */
  practised: z._default(Messages, []),
});
type Kept = z.infer<typeof Kept>;

const KEY = metaKey("instruments");
const keepsToItself = (rigId: string): boolean => isDemo(rigId) || isPractice(rigId);

/** Unreadable it is begun anew: what was said is said again when a rig is opened. */
async function read(): Promise<Kept> {
  const parsed = Kept.safeParse((await database.getItem(KEY).catch(() => null)) ?? {});
  return parsed.success ? parsed.data : Kept.parse({});
}

/** Rigs are opened side by side and tabs write too: nobody may write over what another has just said. */
const change = (to: (kept: Kept) => Kept | undefined): Promise<void> =>
  withLock("instruments", async () => {
    const next = to(await read());
    if (next) await database.setItem(KEY, Kept.parse(next));
  });

/** @returns what other rigs say of each instrument; of those that none here used what a file brought */
export async function heardBy(rigId: string): Promise<InstrumentMessage[]> {
  if (keepsToItself(rigId)) return [];
  const { said, brought, practised } = await read();
  const here = combinedMessages([
    ...Object.entries(said).flatMap(([id, messages]) => (id === rigId ? [] : messages)),
    ...practised,
  ]);
  const known = new Set(here.map(instrumentKey));
  return [...here, ...(brought[rigId] ?? []).filter((message) => !known.has(instrumentKey(message)))];
}

/** What cannot be kept is said again next time. */
export async function keepSaid(rigId: string, messages: readonly InstrumentMessage[]): Promise<void> {
  if (keepsToItself(rigId)) return;
  await change((kept) =>
    JSON.stringify(kept.said[rigId] ?? []) === JSON.stringify(messages)
      ? undefined
      : { ...kept, said: { ...kept.said, [rigId]: [...messages] } },
  ).catch(() => undefined);
}

/** @returns what readers' rounds of the trainer count for */
export const readPractised = async (): Promise<readonly InstrumentMessage[]> => (await read()).practised;

/**
 * A reader's practice counts from now on, in place of what it counted for before.
 * @param message - nothing takes it back
 * @throws {Error} where the device cannot keep it
 */
export async function keepPractised(
  reader: { readonly kind: "reader"; readonly name?: string },
  message: Pick<InstrumentMessage, "precision" | "pull"> | undefined,
): Promise<void> {
  const key = instrumentKey(reader);
  await change((kept) => ({
    ...kept,
    practised: [
      ...kept.practised.filter((one) => instrumentKey(one) !== key),
      ...(message ? [{ ...reader, ...message }] : []),
    ],
  }));
}

/** With an imported file: what the rigs it left behind had said. */
export async function keepBrought(rigId: string, messages: readonly InstrumentMessage[]): Promise<void> {
  await change((kept) => ({ ...kept, brought: { ...kept.brought, [rigId]: [...messages] } })).catch(
    () => undefined,
  );
}

/** A deleted rig says nothing any more. */
export async function forgetSaid(rigId: string): Promise<void> {
  await change((kept) => {
    const { [rigId]: said, ...others } = kept.said;
    const { [rigId]: brought, ...rest } = kept.brought;
    return said || brought ? { ...kept, said: others, brought: rest } : undefined;
  }).catch(() => undefined);
}

export const readInstrumentNames = async (): Promise<readonly NamedInstrument[]> => (await read()).names;

/** @throws {Error} where the device cannot keep it */
export async function writeInstrumentNames(names: readonly NamedInstrument[]): Promise<void> {
  const once = new Map(names.map((one) => [instrumentKey(one), one]));
  await change((kept) => ({ ...kept, names: [...once.values()] }));
}
