/** How the columns of a file were mapped: remembered for files with the same heads. */
import type * as z from "zod/mini";
import { ForecastMapping } from "#core/forecast/columns.ts";
import { Mapping } from "#core/logger/mapping.ts";
import { database, metaKey } from "./database.ts";

/** @param kind - of file: heads of one kind say nothing of another's */
const mappingsOf = <T>(kind: string, schema: z.ZodMiniType<T>) => {
  const keyOf = (headKey: string): string => metaKey(`${kind}/${headKey}`);
  return {
    /** @returns nothing for heads that were never seen, or where nothing can be read */
    read: async (headKey: string): Promise<T | undefined> => {
      const raw = await database.getItem(keyOf(headKey)).catch(() => null);
      const parsed = schema.safeParse(raw);
      return parsed.success ? parsed.data : undefined;
    },
    /** A mapping that cannot be kept is chosen again next time. */
    keep: async (headKey: string, mapping: T): Promise<void> => {
      await database.setItem(keyOf(headKey), mapping).catch(() => undefined);
    },
  };
};

export const loggerMappings = mappingsOf("logger", Mapping);
export const forecastMappings = mappingsOf("forecast", ForecastMapping);
