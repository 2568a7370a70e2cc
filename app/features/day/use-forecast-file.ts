/** A forecast on its way into the log: chosen, its columns guessed and put right, looked through, kept. */
import { useMemo, useState } from "react";
import { PRESSURE_ROLES, type ForecastMapping } from "#core/forecast/columns.ts";
import { concludeForecast } from "#core/forecast/conclude.ts";
import type { Conclusion, ForecastUse, KnownReading } from "#core/forecast/weigh.ts";
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

/**
 * @param elevationM - of the place that the forecast is for
 * @param readings - of the rig's own instruments: what the file leaves unsaid is held against them
 */
export function useForecastFile(elevationM: number, readings: readonly KnownReading[]) {
  const [opened, setOpened] = useState<Opened>();
  /** as the tuner said it, now or of an earlier file: until then it is what was concluded */
  const [own, setMapping] = useState<ForecastMapping>();
  /** what was asked and has been answered */
  const [settled, setSettled] = useState<readonly Conclusion["about"][]>([]);
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const concluded = useMemo(
    () => opened && concludeForecast(opened.table, { elevationM, readings, clock: wallClock }),
    [opened, elevationM, readings],
  );
  const mapping = own ?? concluded?.mapping;
  const conclusions = opened?.known ? [] : (concluded?.conclusions ?? []);
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
      setMapping(known);
      setSettled([]);
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
  /** The tuner's word on one of the conclusions. */
  const choose = ({ about, is }: Conclusion, use: ForecastUse) => {
    const roles = about === "pressure" ? PRESSURE_ROLES : [is.role];
    setMapping([...(mapping ?? []).filter(({ role }) => !roles.includes(role)), use]);
    setSettled((now) => [...now, about]);
  };
  const asked = conclusions.filter(({ asks, about }) => asks && !settled.includes(about));
  return {
    opened,
    mapping,
    setMapping,
    conclusions,
    choose,
    asked,
    looked,
    problem,
    busy,
    open,
    keepMapping,
    close,
  };
}
