/** JSON Schemas from the Zod schemas: the files under docs/schema are this, written out. */
import * as z from "zod/mini";
import { PublishedAdvice } from "#core/advice/card/published-schema.ts";
import { LogFile } from "#core/log/schema.ts";
import { ShiftFile } from "#core/log/shift-file.ts";

const SCHEMAS = {
  "tamis-log.schema.json": { title: "Tamis log, as exported and imported", schema: LogFile },
  "tamis-advice.schema.json": {
    title: "Tamis advice, as the command line prints it",
    schema: PublishedAdvice,
  },
  "tamis-shift.schema.json": { title: "Tamis shift table, as the command line reads it", schema: ShiftFile },
} as const;

/** @returns file name to text */
export function publishedSchemas(): Record<string, string> {
  return Object.fromEntries(
    Object.entries(SCHEMAS).map(([name, { title, schema }]) => {
      const json = z.toJSONSchema(schema, { io: "input", target: "draft-2020-12" });
      return [name, `${JSON.stringify({ title, ...json }, null, 2)}\n`];
    }),
  );
}
