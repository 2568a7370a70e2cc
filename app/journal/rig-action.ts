/** Common action of rig forms: decode the form, make entries, save, answer. */
import { data, redirect } from "react-router";
import type * as z from "zod/mini";
import type { EntryKind } from "#core/log/schema.ts";
import { dropDraft } from "#app/store/drafts.ts";
import { readPreferences } from "#app/store/preferences.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { openRig, type OpenRig } from "./open-rig.ts";
import { unlessOvertaken } from "./seen.ts";
import { logEntries, readSent, refused, type ActionProblem, type Content, type Logged } from "./save.ts";

/** What a form's codec and its meaning may depend on. */
export interface At {
  readonly rig: OpenRig;
  readonly preferences: Preferences;
  readonly params: Readonly<Record<string, string | undefined>>;
  readonly files: readonly File[];
}

/** What a form is answered: what is wrong, or the ids of what was logged and, where it stays open, what it stands on. */
export interface Answer extends ActionProblem {
  readonly logged?: readonly string[];
}

/** The codec stands first: the others are typed by it. */
interface Door<C extends z.ZodMiniType> {
  readonly codec: C | ((at: At) => C);
  /** the form, under whose name what was typed is kept until it is saved */
  readonly form: string | ((sent: z.output<C>, at: At) => string);
  /** words for it where no field of it is on the screen, such as "These readings" */
  readonly what?: string;
  /** @returns what is logged; or what stands against it, by field where one is to blame */
  readonly entries: (
    sent: z.output<C>,
    at: At,
  ) => readonly Content[] | ActionProblem | Promise<readonly Content[] | ActionProblem>;
  /** the newest entry of this kind is what the form was opened on: saved elsewhere meanwhile, that is told first */
  readonly on?: EntryKind;
  /** how it is logged where more than entries is kept */
  readonly log?: (sent: z.output<C>, contents: readonly Content[], at: At) => Promise<Logged>;
  /** what follows in other books once it is logged; @returns what went wrong there */
  readonly after?: (contents: readonly Content[]) => Promise<ActionProblem | undefined>;
  /** the place to go to once it is saved; the form stays where none is given */
  readonly then?: (rigId: string, contents: readonly Content[], at: At) => string;
}

export interface Asked {
  readonly params: Readonly<Record<string, string | undefined>> & { readonly rigId: string };
  readonly request: Request;
}

export const isRefusal = (wanted: readonly Content[] | ActionProblem): wanted is ActionProblem =>
  !Array.isArray(wanted);

/** What is no JSON is nothing: the codec refuses that in words. */
function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** What was sent: a form's texts as JSON, with its files beside it where it has any. */
async function sentBy(request: Request): Promise<{ content: unknown; files: readonly File[] }> {
  if (request.headers.get("Content-Type")?.startsWith("multipart/") !== true)
    return { content: jsonOf(await request.text()), files: [] };
  const form = await request.formData();
  const content = form.get("content");
  const files = form.getAll("file").filter((value): value is File => typeof value !== "string");
  return { content: typeof content === "string" ? jsonOf(content) : undefined, files };
}

/** Once it is saved: on to Today. */
export const toToday = (rigId: string): string => `/rigs/${rigId}`;

/** @returns the loader of an address that only saves: whoever types it is shown the screen that saves by it */
export const shownAt = (screen: string) => () => redirect(`../${screen}`);

/** @returns the action of a route whose form is one codec */
export function rigAction<C extends z.ZodMiniType>(door: Door<C>) {
  return async ({ params, request }: Asked) => {
    const { rigId } = params;
    const { content, files } = await sentBy(request);
    const at: At = { rig: await openRig(rigId), preferences: await readPreferences(), params, files };
    const codec = typeof door.codec === "function" ? door.codec(at) : door.codec;
    const read = readSent(codec, content, door.what);
    if (!read.ok) return read.answer;
    const { sent } = read;
    const wanted = await door.entries(sent, at);
    if (isRefusal(wanted)) return refused(wanted);
    const logged = await (door.log?.(sent, wanted, at) ??
      logEntries(rigId, wanted, unlessOvertaken(door.on, content)));
    if (!logged.ok) return refused(logged.problem, logged.status);
    await dropDraft(rigId, typeof door.form === "function" ? door.form(sent, at) : door.form);
    const beside = await door.after?.(wanted);
    if (beside) return refused(beside, 507);
    if (door.then) return redirect(door.then(rigId, wanted, at));
    return data<Answer>({ logged: logged.ids, ...(logged.ids[0] !== undefined && { seen: logged.ids[0] }) });
  };
}
