/** What the screen of the parts sends, and what comes of it in the box and in the carburettor. */
import * as z from "zod/mini";
import { BenchPart, MOST_PARTS } from "#core/log/part-schema.ts";
import type { Build, Setting } from "#core/log/schema.ts";
import { fitPart, withPart } from "#core/rig/bench-part.ts";
import { buildOfCarburettor, carburettorCount } from "#core/rig/carburettors.ts";
import { checkCarburettor } from "#core/rig/check-build.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { modelRefusal, type ActionProblem, type Content } from "#app/journal/save.ts";
import { benchPartWords } from "#app/vocabulary/bench-parts.ts";
import { MEASURE_FIELD, PartForm } from "./form.ts";

const Name = BenchPart.def.options[0].shape.name;
const carburettor = z.int().check(z.gte(0), z.lte(5));

/** Under which what is typed of another one is kept. */
export const ADDED = "part";

/** Another one for the box. */
export const AddForm = z.object({ intent: z.literal("add"), part: PartForm, carburettor });
export type AddTexts = z.input<typeof AddForm>;

export const Sent = z.discriminatedUnion("intent", [
  AddForm,
  z.object({ intent: z.literal("remove"), name: Name }),
  z.object({ intent: z.literal("fit"), name: Name, outName: Name, carburettor }),
]);
export type Sent = z.infer<typeof Sent>;

/** What is to be logged, or why not. */
type Asked = Content[] | ActionProblem;

function added(rig: Build, { part, carburettor: index }: Extract<Sent, { intent: "add" }>): Asked {
  const { box } = rig;
  const { parts = [] } = box;
  if (parts.length >= MOST_PARTS)
    return { message: `A box holds ${MOST_PARTS} parts that are swapped: take one out first.` };
  if (parts.some(({ name }) => name === part.name))
    return { fields: { "part.name": "There is a part of that name already." } };
  const refusal = modelRefusal(() =>
    checkCarburettor(withPart(buildOfCarburettor(rig, Math.min(index, carburettorCount(rig) - 1)), part), 0),
  );
  if (refusal) return { fields: { [`part.${MEASURE_FIELD[part.kind]}`]: refusal.message } };
  return [{ kind: "box", box: { ...box, parts: [...parts, part] }, why: `With ${benchPartWords(part)}` }];
}

function removed({ box }: Build, name: string): Asked {
  const { parts = [] } = box;
  const part = parts.find((one) => one.name === name);
  if (!part) return { message: "That part is no longer in the box." };
  const left = parts.filter((one) => one !== part);
  return [{ kind: "box", box: { ...box, parts: left }, why: `Without ${benchPartWords(part)}` }];
}

/** A clip stands in a groove that the needle has: said before anything is taken apart. */
function grooveRefusal(part: BenchPart, rig: Build, settings: readonly Setting[]): string | undefined {
  if (part.kind !== "needle") return undefined;
  const { grooves } = part.needle;
  const last = Math.max(rig.baseline.setting.clip, ...settings.map(({ clip }) => clip));
  return last > grooves
    ? `This needle has ${grooves} grooves; the clip is, or was when the setting was right, in groove ${last}.`
    : undefined;
}

function fitted(
  rig: Build,
  settings: readonly Setting[],
  { name, outName, carburettor: index }: Extract<Sent, { intent: "fit" }>,
): Asked {
  const parts = rig.box.parts ?? [];
  const part = parts.find((one) => one.name === name);
  if (!part) return { message: "That part is no longer in the box." };
  const groove = grooveRefusal(part, rig, settings);
  if (groove !== undefined) return { message: groove };
  if (index >= carburettorCount(rig)) return { message: "This rig has no such carburettor." };
  let build = rig;
  const refusal = modelRefusal(() => {
    build = fitPart(rig, index, part, outName);
    for (const [i, setting] of settings.entries()) checkSettingOn(buildOfCarburettor(build, i), setting);
  });
  if (refusal) return { message: refusal.message };
  const names = (build.box.parts ?? []).map((one) => one.name);
  if (new Set(names).size < names.length)
    return { fields: { outName: "There is a part of that name already." } };
  if (names.length > MOST_PARTS)
    return { message: `A box holds ${MOST_PARTS} parts that are swapped: take one out first.` };
  return [{ kind: "build", build, reopens: [], why: `Fitted ${benchPartWords(part)} from the box` }];
}

/** @param settings - what is fitted, one a carburettor */
export function askedOf(rig: Build, settings: readonly Setting[], sent: Sent): Asked {
  switch (sent.intent) {
    case "add":
      return added(rig, sent);
    case "remove":
      return removed(rig, sent.name);
    case "fit":
      return fitted(rig, settings, sent);
  }
}
