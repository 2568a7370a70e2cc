/** Saves one entry of a screen's action and turns failures into answers. */
import { data } from "react-router";
import type * as z from "zod/mini";
import type { Part } from "#core/log/parts.ts";
import type { Present } from "#core/log/present.ts";
import type { Entry, FitEntry } from "#core/log/schema.ts";
import { buildOfCarburettor } from "#core/rig/carburettors.ts";
import { foldWith, type Impossible } from "#core/rig/check-log.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { boundWords } from "#app/vocabulary/bounds.ts";
import { appendUnless, readRig } from "#app/store/rig-log.ts";
import { applyFit } from "#core/log/settings.ts";
import { refusalOf } from "#core/units/guard.ts";
import { localInstant } from "./clock.ts";
import { newEntryId } from "./entry-id.ts";
import { keepFolded, presentOf, type OpenRig } from "./open-rig.ts";

export interface ActionProblem {
  readonly message?: string;
  readonly fields?: Readonly<Record<string, string>>;
  /** where a form was superseded: what stands there now */
  readonly seen?: string;
}

export const refused = (problem: ActionProblem, status = 400) => data(problem, { status });

/** @returns the first message of each field; of what lies deeper, under every name on the way to it */
export function fieldMessages(error: z.core.$ZodError): Record<string, string> {
  const fields: Record<string, string> = {};
  for (const { path, message } of error.issues)
    for (const name of path.length === 0 ? ["form"] : [...path, path.join(".")])
      fields[String(name)] ??= message;
  return fields;
}

/**
 * What a form sent.
 * @param what - words for it where no field of it is on the screen, such as "These readings"
 * @returns it, or the refusal: at each field what is wrong there, and once that nothing was saved
 */
export function readSent<T extends z.ZodMiniType>(
  schema: T,
  value: unknown,
  what?: string,
): { ok: true; sent: z.output<T> } | { ok: false; answer: ReturnType<typeof refused> } {
  const parsed = schema.safeParse(value, { error: boundWords });
  if (parsed.success) return { ok: true, sent: parsed.data };
  const words = parsed.error.issues[0]?.message ?? "";
  return {
    ok: false,
    answer: refused({
      fields: fieldMessages(parsed.error),
      // The field may be out of sight where it was saved from.
      message:
        what === undefined ? `Not saved: ${words}` : `${what} cannot be read. ${words} Nothing was saved.`,
    }),
  };
}

/** The fields of a setting, by the names that the model refuses them under. */
const PART_REFUSED: Readonly<Record<string, Part>> = {
  "pilot jet": "pilot",
  "main jet": "main",
  screw: "screwTurns",
  clip: "clip",
  shim: "shimMm",
};

/** @returns in words why the model cannot work with something, at the part where one is to blame; nothing when it can */
export function modelRefusal(check: () => void): (ActionProblem & { readonly message: string }) | undefined {
  const refusal = refusalOf(check);
  if (!refusal) return undefined;
  const message = `This machine cannot have that: ${refusal.message}.`;
  const part = PART_REFUSED[refusal.field];
  return { message, ...(part && { fields: { [part]: message } }) };
}

/** @returns why a fit cannot be on any of the carburettors it is for, or nothing when it can */
export function refusalOfFit(
  { build, present }: OpenRig,
  fit: Pick<FitEntry, "changes">,
): ActionProblem | undefined {
  return modelRefusal(() => {
    present.settings.forEach((setting, i) =>
      checkSettingOn(buildOfCarburettor(build, i), applyFit(setting, fit, i + 1)),
    );
  });
}

type New<K extends Entry["kind"]> = Omit<Extract<Entry, { kind: K }>, "id" | "at" | "kind">;
export type Content = { [K in Entry["kind"]]: { kind: K } & New<K> }[Entry["kind"]];

export type Logged =
  | { readonly ok: true; readonly ids: readonly string[] }
  | { readonly ok: false; readonly problem: ActionProblem; readonly status: 409 | 507 };

/**
 * @param unless - what else stands against it, such as a form that was superseded: asked while nobody else can write
 * @returns the ids of what was logged, or words for the screen; the log is then unchanged
 */
export async function logEntries(
  rigId: string,
  contents: readonly Content[],
  unless: (present: Present) => ActionProblem | undefined = () => undefined,
): Promise<Logged> {
  const at = localInstant();
  const entries = contents.map((content): Entry => ({ id: newEntryId(content.kind), at, ...content }));
  let told: ActionProblem | undefined;
  let after: Present | undefined;
  const saved = await appendUnless(rigId, entries, (log) => {
    const before = presentOf(log);
    told = unless(before);
    if (told) return told.message ?? "Nothing was saved.";
    const { present, refused: impossible } = foldWith(before, entries);
    after = present;
    return impossible && impossibleWords(impossible, entries);
  });
  if (!saved.ok)
    return { ok: false, problem: told ?? { message: saved.problem.message }, status: told ? 409 : 507 };
  const next = await readRig(rigId);
  if (next.ok && after) keepFolded(next.value, after);
  return { ok: true, ids: entries.map(({ id }) => id) };
}

/** @returns nothing when all of them are saved, else words for the screen; the log is then unchanged */
export async function saveEntries(
  rigId: string,
  contents: readonly Content[],
): Promise<ActionProblem | undefined> {
  const logged = await logEntries(rigId, contents);
  return logged.ok ? undefined : logged.problem;
}

/** What is refused: the new entry itself, or an older one that could then not be. */
function impossibleWords({ entry, why }: Impossible, added: readonly Entry[]): string {
  const own = added.some(({ id }) => id === entry.id);
  const which = own
    ? ""
    : ` The ${entry.kind} of ${entry.at.slice(0, 10)} ${entry.at.slice(11, 16)} could then not be.`;
  return `This machine cannot have that: ${why}.${which} Nothing was saved.`;
}

/** @returns nothing when saved, else words for the screen; the log is then unchanged */
export const saveEntry = <K extends Entry["kind"]>(
  rigId: string,
  kind: K,
  content: New<K>,
): Promise<ActionProblem | undefined> => saveEntries(rigId, [{ kind, ...content } as unknown as Content]);
