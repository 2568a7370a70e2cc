/** Plugs and header pipes of several cylinders, read side by side. */
import * as z from "zod/mini";
import { TONES, ZoneName } from "#core/log/parts.ts";
import type { Build } from "#core/log/schema.ts";
import { syncOf } from "#core/rig/carburettors.ts";
import { toSI, type UnitOf } from "#core/units/quantity.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import type { Content } from "#app/journal/save.ts";
import { sayIssue } from "#app/ui/say-issue.ts";

/** One look a cylinder that somebody looked at. */
export const plugsForm = ({ engine }: Build) =>
  z.pipe(
    z.object({
      zone: ZoneName,
      cut: z.enum(["clean", "rolled", "unknown"]),
      /** one a cylinder, empty where nobody looked */
      tones: z.array(z.union([z.enum(TONES), z.literal("")])).check(z.minLength(2), z.maxLength(6)),
    }),
    z.transform(({ zone, cut, tones }, ctx): Content[] => {
      if (tones.length !== engine.cylinders || tones.every((tone) => tone === ""))
        sayIssue(ctx, "Choose the tone of at least one plug.", ["tones", 0]);
      return tones.flatMap((tone, i): Content[] =>
        tone === ""
          ? []
          : [{ kind: "look", reading: { type: "plug", zone, tone, cut, colderSteps: 0 }, cylinder: i + 1 }],
      );
    }),
  );

/** A whole degree of either scale is as finely as a spread is typed. */
const TYPED_TO_K = 0.5;
const KELVIN = { from: 200, to: 1500 };
const text = z.string().check(z.maxLength(20));

/**
 * @param build - gets the allowed spread where it says none, or another one
 * @param unit - of the temperatures as typed
 */
export const headersForm = (build: Build, unit: UnitOf<"temperature">) =>
  z.pipe(
    z.object({ texts: z.array(text).check(z.minLength(2), z.maxLength(6)), allowed: text }),
    z.transform(({ texts, allowed }, ctx): Content[] => {
      const temperaturesK = texts.map((typed, i) => {
        if (typed.trim() === "") return null;
        const read = readTypedNumber(typed);
        const kelvin = read.ok ? toSI("temperature", read.value, unit) : NaN;
        if (!(kelvin >= KELVIN.from && kelvin <= KELVIN.to))
          sayIssue(ctx, `A header in ${unit}; this is “${typed}”.`, ["texts", i]);
        return kelvin;
      });
      const missing = temperaturesK.filter((kelvin) => kelvin !== null).length < 2;
      if (missing) sayIssue(ctx, "Two pipes at least.", ["texts", Math.max(0, temperaturesK.indexOf(null))]);
      const spread = readTypedNumber(allowed);
      const spreadK = spread.ok
        ? toSI("temperature", spread.value, unit) - toSI("temperature", 0, unit)
        : NaN;
      if (allowed.trim() !== "" && !(spreadK >= 1 && spreadK <= 300))
        sayIssue(ctx, "A spread above 1, or nothing.", ["allowed"]);
      const sync = syncOf(build);
      const changed = allowed.trim() !== "" && Math.abs((sync.headerSpreadK ?? 0) - spreadK) > TYPED_TO_K;
      const described: Content = {
        kind: "build",
        build: { ...build, sync: { ...sync, headerSpreadK: spreadK } },
        reopens: [],
        why: "Allowed spread of the header pipes",
      };
      return [...(changed ? [described] : []), { kind: "headers", temperaturesK }];
    }),
  );
