/**
 * How good the advice is, on engines whose physics are not the model's:
 * `npm run bench:judgement -- --engines 200 --seed 1 [--rig enduro] [--with plug,idle,ride] [--json]`; what no jet
 * cures, and healthy engines beside it: `--faults`, one of them alone `--faults --fault airLeak`.
 */
import { Worker } from "node:worker_threads";
import { parseArgs } from "node:util";
import type { LookMeans } from "#core/log/schools.ts";
import { FAULT_NAMES } from "#core/log/fault-names.ts";
import type { FaultOutcome, Outcome } from "#core/simulator/trial.ts";
import { canHave, SIZES_TRIED, type Seeded } from "./judgement/fault-trials.ts";
import type { Job } from "./judgement/jobs.ts";
import { RIG_NAMES, type RigName } from "./judgement/rigs.ts";
import {
  alarmRow,
  calibrationRows,
  faultRow,
  markdown,
  newAirRow,
  unknownRow,
  wrongNeedleRow,
  type Row,
} from "./judgement/tables.ts";
import { NEEDLES, POLICIES, type NewAir, type Task, type UnknownKind } from "./judgement/trials.ts";

const MEANS: Readonly<Record<string, LookMeans>> = {
  plug: "plug",
  idle: "idleBench",
  lambda: "lambda",
  temperature: "temperature",
  ride: "rideReport",
};

const { values } = parseArgs({
  options: {
    engines: { type: "string", default: "100" },
    seed: { type: "string", default: "1" },
    rig: { type: "string" },
    with: { type: "string", default: "" },
    only: { type: "string", default: "newAir,taught,unknown,readers" },
    policies: { type: "string", default: POLICIES.join(",") },
    faults: { type: "boolean", default: false },
    fault: { type: "string" },
    threads: { type: "string", default: "2" },
    json: { type: "boolean", default: false },
  },
});

function wanted<T extends string>(names: string | undefined, known: readonly T[]): T[] {
  if (names === undefined || names === "") return [...known];
  return names.split(",").map((name) => {
    const found = known.find((one) => one === name);
    if (!found) throw new Error(`"${name}" is none of ${known.join(", ")}`);
    return found;
  });
}

const engines = Number(values.engines);
const seed = Number(values.seed);
if (!(Number.isInteger(engines) && engines > 0 && Number.isInteger(seed)))
  throw new Error("--engines and --seed must be whole numbers");
const rigs = wanted(values.rig, RIG_NAMES);
const only = new Set(values.faults ? ["faults"] : values.only.split(","));
const policies = wanted(values.policies, POLICIES);
/** Sets of instruments that are tried; those named, or the usual three. */
const kits: readonly (readonly string[])[] = values.with
  ? [values.with.split(",")]
  : [["plug", "idle"], ["plug", "idle", "ride"], ["lambda"]];
const meansOf = (kit: readonly string[]): LookMeans[] =>
  kit.map((name) => {
    const means = MEANS[name];
    if (!means) throw new Error(`"${name}" is none of ${Object.keys(MEANS).join(", ")}`);
    return means;
  });

const tasks = (rig: RigName, kit: readonly string[], halfGrooves = false): Task[] =>
  Array.from({ length: engines }, (_, i) => ({
    rig,
    seed: seed * 100_000 + i,
    means: meansOf(kit),
    halfGrooves,
  }));

type Any = NewAir | Outcome | FaultOutcome;

async function runAll(jobs: readonly Job[]): Promise<Any[]> {
  const threads = Number(values.threads);
  const results: Any[] = [];
  await Promise.all(
    Array.from({ length: threads }, (_, t) => {
      const mine = jobs.map((job, i) => ({ job, i })).filter(({ i }) => i % threads === t);
      return new Promise<void>((resolve, reject) => {
        const url = new URL("./judgement/worker.mjs", import.meta.url);
        const worker = new Worker(url, { workerData: { jobs: mine.map(({ job }) => job) } });
        let done = 0;
        worker.on("message", ({ result }: { result: Any }) => {
          const place = mine[done]?.i;
          if (place !== undefined) results[place] = result;
          done += 1;
        });
        worker.on("error", reject);
        worker.on("exit", () =>
          done === mine.length ? resolve() : reject(new Error("a thread ended early")),
        );
      });
    }),
  );
  return results;
}

interface Section {
  readonly title: string;
  readonly rows: readonly Row[];
}
const sections: Section[] = [];
/** What is done is told at once: the whole takes a quarter of an hour. */
const say = (title: string): void => {
  process.stderr.write(`${((Date.now() - started) / 1000).toFixed(0)} s: ${title}\n`);
};
const started = Date.now();
const kitName = (kit: readonly string[]) => kit.join(" + ");

async function airSection(
  title: string,
  what: "newAir" | "taughtAir",
  airSensitivitySd: number,
): Promise<void> {
  const rows: Row[] = [];
  const everything: NewAir[] = [];
  for (const rig of rigs) {
    const jobs = tasks(rig, ["plug", "idle"]).map((task): Job => ({ what, task, airSensitivitySd }));
    const results = (await runAll(jobs)) as NewAir[];
    everything.push(...results);
    rows.push(newAirRow(rig, results));
  }
  rows.push(newAirRow("all", everything));
  say(title);
  sections.push({ title, rows });
  if (what !== "newAir" || airSensitivitySd === 0) return;
  const edges = [0, 0.84, 0.88, 0.92, 0.96, 1, 2];
  const bins = edges.slice(0, -1).map((from, i) => {
    const to = edges[i + 1] ?? 2;
    const inBin = everything.filter(({ relativeDryDensity: x }) => x >= from && x < to);
    const name = i === 0 ? `below ${to}` : to === 2 ? `above ${from}` : `${from} to ${to}`;
    return newAirRow(name, inBin);
  });
  sections.push({
    title: `${title}, by how the air has changed (dry density against the baseline's)`,
    rows: bins,
  });
}

async function unknownSection(
  kit: readonly string[],
  kind: UnknownKind,
  title: string,
  halfGrooves = false,
): Promise<void> {
  const rows: Row[] = [];
  const followed: Outcome[] = [];
  const usesPlugs = kit.includes("plug");
  for (const policy of policies) {
    const robotic = policy !== "advice" && policy !== "oneAtATime";
    if (
      robotic &&
      (!usesPlugs || kit.includes("ride") || halfGrooves || kind.heavyTails || kind.biasShare !== 1)
    )
      continue;
    if (policy === "oneAtATime" && (kind.heavyTails || kind.biasShare !== 1 || halfGrooves)) continue;
    const all: Outcome[] = [];
    for (const rig of rigs) {
      const jobs = tasks(rig, kit, halfGrooves).map((task): Job => ({ what: "unknown", task, policy, kind }));
      const results = (await runAll(jobs)) as Outcome[];
      if (policy === "advice") {
        rows.push(unknownRow(`advice, ${rig}`, results));
        followed.push(...results);
      }
      all.push(...results);
    }
    rows.push(unknownRow(`${policy}, all rigs`, all));
  }
  sections.push({ title, rows });
  sections.push({
    title: `${title}: of what is called so likely right, how much is`,
    rows: calibrationRows(followed),
  });
}

const usual: UnknownKind = { heavyTails: false, biasShare: 1 };
if (only.has("newAir")) {
  await airSection("A measured setting in new air, no look yet", "newAir", 0.15);
  await airSection("The same on engines that keep the orifice law", "newAir", 0);
}
if (only.has("taught")) await airSection("The same after two earlier days in other air", "taughtAir", 0.15);
if (only.has("unknown"))
  for (const kit of kits) await unknownSection(kit, usual, `Unknown engines, ${kitName(kit)}`);
if (only.has("halfGrooves"))
  await unknownSection(
    ["plug", "idle", "ride"],
    usual,
    "Unknown engines, plug + idle + ride, half grooves in the box",
    true,
  );
if (only.has("readers")) {
  await unknownSection(
    ["plug", "idle"],
    { heavyTails: true, biasShare: 1 },
    "Unknown engines with heavy tails, plug + idle",
  );
  await unknownSection(
    ["plug", "idle"],
    { heavyTails: false, biasShare: 3 },
    "Unknown engines, readers three times as far off, plug + idle",
  );
}

/** A needle that is not this engine's, with and without the right one in the box. */
async function wrongNeedleSection(kit: readonly string[]): Promise<void> {
  const rows: Row[] = [];
  const named = {
    wrong: "the wrong one alone",
    both: "the right one in the box",
    right: "the right one from the start",
  };
  for (const needles of NEEDLES) {
    const all: Outcome[] = [];
    for (const rig of rigs) {
      const jobs = tasks(rig, kit).map((task): Job => ({ what: "wrongNeedle", task, needles }));
      const results = (await runAll(jobs)) as Outcome[];
      all.push(...results);
      if (needles === "both") rows.push(wrongNeedleRow(`${named[needles]}, ${rig}`, results));
    }
    rows.push(wrongNeedleRow(`${named[needles]}, all rigs`, all));
    say(`wrong needle: ${named[needles]}`);
  }
  sections.push({ title: `A wrong needle, ${kitName(kit)}`, rows });
}
if (only.has("needle"))
  for (const kit of values.with ? kits : [["plug", "idle", "ride"], ["lambda"]])
    await wrongNeedleSection(kit);

/** Every fault at three sizes, and as many healthy engines, plain and odd. */
async function faultSection(kit: readonly string[]): Promise<void> {
  const ask = async (seeded: Seeded): Promise<FaultOutcome[]> => {
    const jobs = rigs
      .filter((rig) => canHave(rig, seeded.fault))
      .flatMap((rig) => tasks(rig, kit).map((task): Job => ({ what: "fault", task, seeded })));
    return (await runAll(jobs)) as FaultOutcome[];
  };
  const rows: Row[] = [];
  for (const fault of wanted(values.fault, FAULT_NAMES)) {
    const bySize: FaultOutcome[][] = [];
    for (const size of SIZES_TRIED) bySize.push(await ask({ fault, size, odd: false }));
    rows.push(faultRow(fault, bySize));
    say(fault);
  }
  sections.push({ title: `Faults, ${kitName(kit)}: first or second, by size`, rows });
  if (values.fault !== undefined) return;
  const healthy = await ask({ fault: undefined, size: 1, odd: false });
  const odd = await ask({ fault: undefined, size: 1, odd: true });
  sections.push({
    title: `Healthy engines, ${kitName(kit)}: false alarms`,
    rows: [alarmRow("plain", healthy), alarmRow("odd: heavy tails", odd)],
  });
}
if (only.has("faults"))
  for (const kit of values.with ? kits : [["plug", "idle", "ride"]]) await faultSection(kit);

if (values.json) console.log(JSON.stringify({ engines, seed, sections }));
else
  console.log(
    [
      `${engines} engines a rig, seed ${seed}, ${((Date.now() - started) / 1000).toFixed(0)} s`,
      ...sections.map(({ title, rows }) => `\n### ${title}\n\n${markdown(rows)}`),
    ].join("\n"),
  );
