/** Base sheets of a file go into the collection of this device: no rig's log has part in that. */
import { data, redirect } from "react-router";
import * as z from "zod/mini";
import { BaseSheet } from "#core/log/schema.ts";
import { readSent, refused } from "#app/journal/save.ts";
import { saveSheets } from "#app/store/base-sheets.ts";

const Sheets = z.array(BaseSheet).check(z.minLength(1), z.maxLength(500));

export const clientLoader = () => redirect("/data");

export async function clientAction({ request }: { request: Request }) {
  const read = readSent(Sheets, await request.json(), "This file");
  if (!read.ok) return read.answer;
  const kept = await saveSheets(read.sent);
  return kept.ok
    ? data({ said: `${read.sent.length} base sheets imported.` })
    : refused({ message: kept.problem.message }, 507);
}
