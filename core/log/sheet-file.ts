/** File format for exchanging base sheets. */
import * as z from "zod/mini";
import { BaseSheet } from "./schema.ts";

export const SheetFile = z.strictObject({
  format: z.literal("tamis-base-sheets"),
  version: z.literal(1),
  sheets: z.array(BaseSheet).check(z.maxLength(500)),
});
export type SheetFile = z.infer<typeof SheetFile>;

/** A sheet of the file that cannot be used, and why. */
export interface BadSheet {
  /** counted from 1 */
  readonly line: number;
  readonly text: string;
  readonly problem: string;
}

export type SheetsRead =
  { ok: true; sheets: readonly BaseSheet[]; bad: readonly BadSheet[] } | { ok: false; message: string };

const Outline = z.object({
  format: z.string(),
  version: z.number(),
  sheets: z.array(z.unknown()).check(z.maxLength(500)),
});

function parse(text: string): unknown {
  try {
    return JSON.parse(text.replace(/^\uFEFF/, ""));
  } catch {
    return undefined;
  }
}

function readSheet(raw: unknown, line: number): { sheet: BaseSheet } | { bad: BadSheet } {
  const parsed = BaseSheet.safeParse(raw);
  if (parsed.success) return { sheet: parsed.data };
  const [issue] = parsed.error.issues;
  const name = z.object({ stamp: z.string() }).safeParse(raw);
  return {
    bad: {
      line,
      text: name.success ? name.data.stamp.slice(0, 40) : "without a number",
      problem: issue ? `${issue.path.map(String).join(".")}: ${issue.message}` : "cannot be read",
    },
  };
}

/** @returns the sheets that can be used, the others with their problem, or why it is no such file */
export function readSheetFile(text: string): SheetsRead {
  const raw = parse(text);
  if (raw === undefined)
    return { ok: false, message: "This file is not JSON. Choose a file of base sheets." };
  const outline = Outline.safeParse(raw);
  if (!outline.success || outline.data.format !== "tamis-base-sheets")
    return {
      ok: false,
      message: "This is JSON, but no file of base sheets. Choose one that Tamis exported.",
    };
  if (outline.data.version !== 1)
    return {
      ok: false,
      message: `These base sheets are version ${outline.data.version}; this Tamis reads version 1. Update Tamis, then import them.`,
    };
  const read = outline.data.sheets.map((sheet, i) => readSheet(sheet, i + 1));
  return {
    ok: true,
    sheets: read.flatMap((one) => ("sheet" in one ? [one.sheet] : [])),
    bad: read.flatMap((one) => ("bad" in one ? [one.bad] : [])),
  };
}
