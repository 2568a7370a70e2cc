/** Hook: a logger file from choice to result, with progress. */
import { startTransition, useEffect, useRef, useState } from "react";
import type { Mapping } from "#core/logger/mapping.ts";
import type { Reduced } from "#core/logger/reduce.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { loggerMappings } from "#app/store/mappings.ts";
import { toSI } from "#core/units/quantity.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { logger } from "#app/workers/client.ts";
import type { LookedAt } from "#app/workers/logger.ts";
import { seedOf } from "#app/devices/simulated-engine.ts";

export interface Opened {
  readonly file: Blob;
  readonly name: string;
  readonly looked: LookedAt;
  /** these heads were mapped before */
  readonly known: boolean;
}

/** What standing starts are timed to, in round figures of the tuner's own units. */
function wantedIn({ speed, length }: Preferences) {
  const speeds = speed === "mph" ? [30, 40, 60] : [50, 80, 100];
  const lengths = length === "ft" ? [330, 660] : [50, 100, 200];
  return {
    speedsMs: speeds.map((value) => toSI("speed", value, speed)),
    lengthsM: lengths.map((value) => toSI("length", value, length)),
  };
}

export function useLogger() {
  const { build, fitted, entries, advice, header, preferences } = useRig();
  const [opened, setOpened] = useState<Opened>();
  const [mapping, setMapping] = useState<Mapping>();
  const [reduced, setReduced] = useState<Reduced>();
  const [progress, setProgress] = useState<number>();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const rides = useRef(0);
  const reading = useRef<AbortController>(undefined);
  // Whoever leaves this screen does not wait for the file any more.
  useEffect(() => () => reading.current?.abort(), []);

  /** What was read stays on screen until something better takes its place. */
  async function attempt(work: () => Promise<void>): Promise<void> {
    setBusy(true);
    setProblem(undefined);
    try {
      await work();
    } catch (error) {
      setProblem(wordsOf(error));
    }
    setBusy(false);
    setProgress(undefined);
  }

  const open = (file: Blob, name: string) =>
    attempt(async () => {
      const looked = await logger.lookAt(file, fuelFromLog(build.fuel).stoichiometric);
      const known = await loggerMappings.read(looked.headKey);
      startTransition(() => {
        setOpened({ file, name, looked, known: known !== undefined });
        // Where the figures begin belongs to this file, what they mean to its heads.
        setMapping(known ? { ...known, headerLines: looked.mapping.headerLines } : looked.mapping);
        setReduced(undefined);
      });
    });

  const read = (chosen: Mapping) =>
    attempt(async () => {
      if (!opened) return;
      setProgress(0);
      setMapping(chosen);
      const { file, looked } = opened;
      const task = {
        file,
        encoding: looked.encoding,
        mapping: chosen,
        idleRpm: build.engine.idleRpm,
        wanted: wantedIn(preferences),
      };
      reading.current = new AbortController();
      const found = await logger.reduce(task, setProgress, reading.current.signal);
      startTransition(() => setReduced(found));
      await loggerMappings.keep(looked.headKey, chosen);
    });

  const simulate = () =>
    attempt(async () => {
      rides.current += 1;
      const air = advice?.air.air ?? build.baseline.air;
      const { temperatureK, pressurePa, relativeHumidity } = air;
      const seed = seedOf(`${header.id} ${rides.current}`);
      const blob = await logger.simulate({
        entries,
        build,
        setting: fitted,
        air: { temperatureK, pressurePa, relativeHumidity },
        seed,
      });
      await open(blob, `simulated-ride-${rides.current}.csv`);
    });

  const cancel = () => reading.current?.abort();
  return {
    opened,
    mapping,
    reduced,
    progress,
    problem,
    busy,
    open,
    read,
    simulate,
    cancel,
    setMapping,
    setProblem,
  };
}
