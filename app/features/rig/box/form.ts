/** The jet box as typed: lists of sizes as text, drilled jets and other families as rows. */
import * as z from "zod";
import { Box } from "#core/log/schema.ts";
import { readSizeList, writeSizeList } from "#core/units/size-list.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";

export interface BoxTexts {
  pilots: string;
  mains: string;
  shimsMm: string;
  drilled: { part: string; stamped: string; measuredMm: string }[];
  families: {
    name: string;
    part: string;
    by: string;
    referenceNumber: string;
    referenceDiameterMm: string;
    sizes: string;
  }[];
}

export const boxTexts = ({ pilots, mains, shimsMm, drilled = [], families = [] }: Box): BoxTexts => ({
  pilots: writeSizeList(pilots),
  mains: writeSizeList(mains),
  shimsMm: writeSizeList(shimsMm),
  drilled: drilled.map(({ part, stamped, measuredMm }) => ({
    part,
    stamped: String(stamped),
    measuredMm: String(measuredMm),
  })),
  families: families.map(({ name, part, numbering, sizes }) => ({
    name,
    part,
    by: numbering.by,
    referenceNumber: numbering.by === "flow" ? String(numbering.referenceNumber) : "100",
    referenceDiameterMm: numbering.by === "flow" ? String(numbering.referenceDiameterMm) : "1",
    sizes: writeSizeList(sizes),
  })),
});

const LISTS = ["pilots", "mains", "shimsMm"] as const;

export const BoxForm = z
  .custom<BoxTexts>((value) => typeof value === "object" && value !== null)
  .transform((texts, ctx): Box => {
    const say = (path: (string | number)[], message: string) =>
      ctx.addIssue({ code: "custom", path, message });
    const list = (path: (string | number)[], text: string): number[] => {
      const read = readSizeList(text);
      if (read.ok) return read.sizes;
      say(path, `“${read.wrong}” is no size. Write 150, 152, 155 or 150 to 175 by 2.5.`);
      return [];
    };
    const number = (path: (string | number)[], text: string): number => {
      const read = readTypedNumber(text);
      if (read.ok) return read.value;
      say(path, text.trim() === "" ? "Type a number here." : `“${text}” is not a number.`);
      return 100;
    };
    const drilled = texts.drilled.map((jet, i) => ({
      part: jet.part,
      stamped: number(["drilled", i, "stamped"], jet.stamped),
      measuredMm: number(["drilled", i, "measuredMm"], jet.measuredMm),
    }));
    const families = texts.families.map((family, i) => ({
      name: family.name,
      part: family.part,
      numbering:
        family.by === "flow"
          ? {
              by: "flow",
              referenceNumber: number(["families", i, "referenceNumber"], family.referenceNumber),
              referenceDiameterMm: number(["families", i, "referenceDiameterMm"], family.referenceDiameterMm),
            }
          : { by: "diameter" },
      sizes: list(["families", i, "sizes"], family.sizes),
    }));
    const box = {
      ...Object.fromEntries(LISTS.map((name) => [name, list([name], texts[name])])),
      ...(drilled.length > 0 && { drilled }),
      ...(families.length > 0 && { families }),
    };
    const parsed = Box.safeParse(box);
    if (parsed.success) return parsed.data;
    for (const issue of parsed.error.issues) {
      const path = issue.path.map((key) => (typeof key === "number" ? key : String(key)));
      const field = LISTS.some((name) => name === path[0])
        ? path.slice(0, 1)
        : path.filter((key) => key !== "numbering").slice(0, 3);
      say(field, issue.message);
    }
    return z.NEVER;
  });
