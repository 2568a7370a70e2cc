/** Which air is packed for: an event, a month of a place, a range. As typed, and as the judge is asked. */
import * as z from "zod/mini";
import { PackAsked } from "#core/pack/asked.ts";
import { ELEVATION_DOMAIN_M, TEMPERATURE_DOMAIN_K } from "#core/units/domains.ts";
import { instantAt } from "#app/journal/clock.ts";
import { typedQuantity } from "#app/ui/typed.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";

export interface PackTexts {
  readonly kind: PackAsked["kind"];
  readonly from: string;
  readonly to: string;
  readonly place: string;
  readonly elevation: string;
  readonly month: string;
  readonly low: string;
  readonly high: string;
  readonly humidity: string;
  readonly lowest: string;
  readonly highest: string;
}

export type PackRead =
  | { readonly ok: true; readonly asked: PackAsked }
  | { readonly ok: false; readonly fields: Readonly<Partial<Record<keyof PackTexts, string>>> };

const DAY = /^\d{4}-\d{2}-\d{2}$/;
const domain = ({ min, max }: { min: number; max: number }) => z.number().check(z.gte(min), z.lte(max));

/** @returns what is asked, or at each field what is wrong there */
export function readPack(texts: PackTexts, { length, temperature }: Preferences): PackRead {
  const fields: Partial<Record<keyof PackTexts, string>> = {};
  const read = (name: keyof PackTexts, codec: z.ZodMiniType<number, string>): number => {
    const typed = codec.safeParse(texts[name]);
    if (typed.success) return typed.data;
    fields[name] = typed.error.issues[0]?.message ?? "This cannot be read.";
    return Number.NaN;
  };
  const height = (name: keyof PackTexts) =>
    read(name, typedQuantity("length", length, domain(ELEVATION_DOMAIN_M)));
  const warmth = (name: keyof PackTexts) =>
    read(name, typedQuantity("temperature", temperature, domain(TEMPERATURE_DOMAIN_K)));
  const asked = (): PackAsked => {
    switch (texts.kind) {
      case "event": {
        const elevationM = height("elevation");
        if (!DAY.test(texts.from)) fields.from = "A day, such as 2026-05-23.";
        if (!DAY.test(texts.to)) fields.to = "A day, such as 2026-05-24.";
        else if (texts.to < texts.from) fields.to = "It ends before it begins.";
        if (fields.from !== undefined || fields.to !== undefined)
          return { kind: "event", fromAt: "", toAt: "", elevationM };
        return {
          kind: "event",
          fromAt: instantAt(texts.from, "08:00"),
          toAt: instantAt(texts.to, "19:00"),
          elevationM,
        };
      }
      case "month":
        if (texts.place.trim() === "") fields.place = "Which place?";
        return {
          kind: "month",
          place: texts.place,
          elevationM: height("elevation"),
          month: Number(texts.month),
        };
      case "range": {
        const [lowK, highK] = [warmth("low"), warmth("high")];
        const [lowM, highM] = [height("lowest"), height("highest")];
        if (highK < lowK) fields.high = "Lower than the lowest.";
        if (highM < lowM) fields.highest = "Lower than the lowest.";
        const humidity = read(
          "humidity",
          typedQuantity("humidity", "%", z.number().check(z.gte(0), z.lte(1))),
        );
        return { kind: "range", lowK, highK, humidity, lowM, highM };
      }
    }
  };
  const value = asked();
  return Object.keys(fields).length > 0 ? { ok: false, fields } : { ok: true, asked: PackAsked.parse(value) };
}
