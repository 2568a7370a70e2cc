/** All rigs' logs, read one after the other: what is read is searched meanwhile. */
import { useEffect, useState } from "react";
import type { LogLine } from "#core/log/present.ts";
import type { Header } from "#core/log/schema.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { presentOf } from "#app/journal/open-rig.ts";
import { prepareTexts, type Writing } from "#app/frame/log-search/line-text.ts";
import { readRig } from "#app/store/rig-log.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";

export interface RigRead {
  readonly header: Header;
  readonly lines: readonly LogLine[];
  readonly writing: Writing;
}

export interface AllRead {
  readonly rigs: readonly RigRead[];
  /** in words, of rigs that could not be read */
  readonly troubles: readonly string[];
  readonly done: boolean;
}

const NOTHING: AllRead = { rigs: [], troubles: [], done: false };

async function readOne(header: Header, units: Preferences, signal: AbortSignal): Promise<RigRead | string> {
  const read = await readRig(header.id);
  if (!read.ok) return `${header.name}: ${read.problem.message}`;
  const { lines, build } = presentOf(read.value);
  const writing = { units, stoichiometric: build ? fuelFromLog(build.fuel).stoichiometric : 14.7 };
  await prepareTexts(lines, writing, signal);
  return { header, lines, writing };
}

export function useAllRigs(headers: readonly Header[], units: Preferences): AllRead {
  const [all, setAll] = useState(NOTHING);
  useEffect(() => {
    const stop = new AbortController();
    const readAll = async () => {
      let read = NOTHING;
      for (const header of headers) {
        const one = await readOne(header, units, stop.signal);
        if (stop.signal.aborted) return;
        read =
          typeof one === "string"
            ? { ...read, troubles: [...read.troubles, one] }
            : { ...read, rigs: [...read.rigs, one] };
        setAll(read);
      }
      setAll({ ...read, done: true });
    };
    void readAll();
    return () => stop.abort();
  }, [headers, units]);
  return all;
}
