/** Plugs and header pipes of several cylinders, read side by side. */
import * as z from "zod/mini";
import { TONES, ZoneName } from "#core/log/parts.ts";
import type { Build } from "#core/log/schema.ts";
import { syncOf } from "#core/rig/carburettors.ts";
import { toSI, type UnitOf } from "#core/units/quantity.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import type { Content } from "#app/journal/save.ts";

export const CylindersSent = z.discriminatedUnion("intent", [
  z.object({
    intent: z.literal("plugs"),
    zone: ZoneName,
    cut: z.enum(["clean", "rolled", "unknown"]),
    /** one a cylinder, nothing where nobody looked */
    tones: z.array(z.nullable(z.enum(TONES))).check(z.minLength(2), z.maxLength(6)),
  }),
  z.object({
    intent: z.literal("headers"),
    texts: z.array(z.string().check(z.maxLength(20))).check(z.minLength(2), z.maxLength(6)),
    allowed: z.string().check(z.maxLength(20)),
  }),
]);
export type CylindersSent = z.infer<typeof CylindersSent>;

type Sent<K extends CylindersSent["intent"]> = Extract<CylindersSent, { intent: K }>;
export type Read = { ok: true; contents: Content[] } | { ok: false; fields: Record<string, string> };

/** @returns one look a cylinder that somebody looked at */
export function readPlugs({ zone, cut, tones }: Sent<"plugs">, { engine }: Build): Read {
  if (tones.length !== engine.cylinders || tones.every((tone) => tone === null))
    return { ok: false, fields: { plugs: "Choose the tone of at least one plug." } };
  return {
    ok: true,
    contents: tones.flatMap((tone, i): Content[] =>
      tone === null
        ? []
        : [{ kind: "look", reading: { type: "plug", zone, tone, cut, colderSteps: 0 }, cylinder: i + 1 }],
    ),
  };
}

/** A whole degree of either scale is as finely as a spread is typed. */
const TYPED_TO_K = 0.5;
const KELVIN = { from: 200, to: 1500 };

/**
 * @param build - gets the allowed spread where it says none, or another one
 * @param unit - of the temperatures as typed
 */
export function readHeaders(
  { texts, allowed }: Sent<"headers">,
  build: Build,
  unit: UnitOf<"temperature">,
): Read {
  const fields: Record<string, string> = {};
  const temperaturesK = texts.map((text, i) => {
    if (text.trim() === "") return null;
    const typed = readTypedNumber(text);
    const kelvin = typed.ok ? toSI("temperature", typed.value, unit) : NaN;
    if (!(kelvin >= KELVIN.from && kelvin <= KELVIN.to))
      fields[`header-${i}`] = `A header in ${unit}; this is “${text}”.`;
    return kelvin;
  });
  if (temperaturesK.filter((kelvin) => kelvin !== null).length < 2)
    fields["headers"] ??= "Two pipes at least.";
  const spread = readTypedNumber(allowed);
  const spreadK = spread.ok ? toSI("temperature", spread.value, unit) - toSI("temperature", 0, unit) : NaN;
  if (allowed.trim() !== "" && !(spreadK >= 1 && spreadK <= 300))
    fields["allowed"] = "A spread above 1, or nothing.";
  if (Object.keys(fields).length > 0) return { ok: false, fields };
  const sync = syncOf(build);
  const changed = allowed.trim() !== "" && Math.abs((sync.headerSpreadK ?? 0) - spreadK) > TYPED_TO_K;
  return {
    ok: true,
    contents: [
      ...(changed
        ? [
            {
              kind: "build" as const,
              build: { ...build, sync: { ...sync, headerSpreadK: spreadK } },
              reopens: [],
              why: "Allowed spread of the header pipes",
            },
          ]
        : []),
      { kind: "headers", temperaturesK },
    ],
  };
}
