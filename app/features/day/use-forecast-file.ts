/** A forecast on its way into the log: chosen, its columns guessed and put right, looked through, kept. */
import { useMemo, useState } from "react";
import { guessColumns, type ForecastMapping } from "#core/forecast/columns.ts";
import { readForecast, type ForecastRead } from "#core/forecast/read-forecast.ts";
import type { Table } from "#core/forecast/table.ts";
import { wallClock } from "#app/journal/clock.ts";
import { forecastMappings } from "#app/store/mappings.ts";
import { files } from "#app/workers/client.ts";
import { wordsOf } from "#app/workers/on-demand.ts";

interface Opened {
  readonly file: string;
  readonly table: Table;
  /** these heads were mapped before */
  readonly known: boolean;
}

const headKeyOf = ({ names }: Table): string => names.join("|").slice(0, 500);

type Looked =
  { readonly read: ForecastRead; readonly wrong?: never } | { readonly read?: never; readonly wrong: string };

function lookThrough(table: Table, mapping: ForecastMapping, elevationM: number): Looked {
  try {
    return { read: readForecast(table, { mapping, clock: wallClock, elevationM }) };
  } catch (error) {
    if (error instanceof RangeError) return { wrong: error.message };
    throw error;
  }
}

/** @param elevationM - of the place that the forecast is for */
export function useForecastFile(elevationM: number) {
  const [opened, setOpened] = useState<Opened>();
  const [mapping, setMapping] = useState<ForecastMapping>();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const looked = useMemo(
    () => (opened && mapping ? lookThrough(opened.table, mapping, elevationM) : undefined),
    [opened, mapping, elevationM],
  );
  /** What was opened stays until something better takes its place. */
  const open = async (blob: Blob, file: string) => {
    setBusy(true);
    setProblem(undefined);
    try {
      const table = await files.readTable(blob);
      const known = await forecastMappings.read(headKeyOf(table));
      setOpened({ file, table, known: known !== undefined });
      setMapping(known ?? guessColumns(table, elevationM));
    } catch (error) {
      setProblem(wordsOf(error));
    }
    setBusy(false);
  };
  const keepMapping = () => {
    if (opened && mapping) void forecastMappings.keep(headKeyOf(opened.table), mapping);
  };
  const close = () => {
    setOpened(undefined);
    setMapping(undefined);
  };
  return { opened, mapping, setMapping, looked, problem, busy, open, keepMapping, close };
}
