/** The air readings of a log. */
import type { Present } from "./present.ts";
import type { AirEntry } from "./schema.ts";

/** @returns every reading that counts, in order */
export const airsRead = ({ lines }: Present): AirEntry[] =>
  lines.flatMap(({ entry, struck, setAside }) =>
    entry.kind === "air" && !struck && setAside === undefined ? [entry] : [],
  );
