/** Which air is packed for: an event, a month of a place, a range. As typed, and as the judge is asked. */
import { PackAsked } from "#core/pack/asked.ts";
import { within } from "#core/log/measures-schema.ts";
import { ELEVATION_DOMAIN_M, TEMPERATURE_DOMAIN_K } from "#core/units/domains.ts";
import { instantAt } from "#app/journal/clock.ts";
import { fieldReader, typedQuantity } from "#app/ui/typed.ts";
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

/** @returns what is asked, or at each field what is wrong there */
export function readPack(texts: PackTexts, { length, temperature }: Preferences): PackRead {
  const { wrong: fields, read } = fieldReader<keyof PackTexts>(texts);
  const height = (name: keyof PackTexts) =>
    read(name, typedQuantity("length", length, within(ELEVATION_DOMAIN_M)));
  const warmth = (name: keyof PackTexts) =>
    read(name, typedQuantity("temperature", temperature, within(TEMPERATURE_DOMAIN_K)));
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
        const humidity = read("humidity", typedQuantity("humidity", "%", within({ min: 0, max: 1 })));
        return { kind: "range", lowK, highK, humidity, lowM, highM };
      }
    }
  };
  const value = asked();
  return Object.keys(fields).length > 0 ? { ok: false, fields } : { ok: true, asked: PackAsked.parse(value) };
}
