/**
 * How good the advice is, on engines whose physics are not the model's:
 * `npm run bench:judgement -- --engines 200 --seed 1 [--rig enduro] [--with plug,idle,ride] [--json]`; what no jet
 * cures, and healthy engines beside it: `--faults`, one of them alone `--faults --fault airLeak`, the healthy alone
 * `--faults --fault none`.
 */
import { Worker } from "node:worker_threads";
import { parseArgs } from "node:util";
import type { LookMeans } from "#core/log/schools.ts";
import { FAULT_NAMES } from "#core/log/fault-names.ts";
import type { FaultOutcome, Outcome } from "#core/simulator/trial.ts";
import { canHave, JETTED_AROUND, SIZES_TRIED, type Seeded } from "./judgement/fault-trials.ts";
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
import {
  NEEDLES,
  POLICIES,
  type NewAir,
  type Task,
  type UnknownKind,
  type Worded,
} from "./judgement/trials.ts";

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
    only: { type: "string", default: "newAir,taught,unknown,readers,words" },
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

type Any = NewAir | Outcome | FaultOutcome | undefined;

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

const MEASURED: Worded = {
  airSensitivitySd: 0.15,
  proven: "measured",
  wordsMayBeWrong: false,
  upToMonths: 0,
  later: false,
};

async function newAirRows(job: (task: Task) => Job): Promise<{ rows: Row[]; everything: NewAir[] }> {
  const rows: Row[] = [];
  const everything: NewAir[] = [];
  for (const rig of rigs) {
    const results = (await runAll(tasks(rig, ["plug", "idle"]).map(job))) as NewAir[];
    everything.push(...results);
    rows.push(newAirRow(rig, results));
  }
  return { rows: [...rows, newAirRow("all", everything)], everything };
}

async function airSection(title: string, job: (task: Task) => Job, byDensity = false): Promise<void> {
  const { rows, everything } = await newAirRows(job);
  say(title);
  sections.push({ title, rows });
  if (!byDensity) return;
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

/** Words that may be another machine's, from new to a year old; and a word that comes later, on a hill. */
async function wordSection(): Promise<void> {
  const rows: Row[] = [];
  const may = { ...MEASURED, wordsMayBeWrong: true, upToMonths: 12 };
  const kinds: readonly (readonly [string, Worded])[] = [
    ["measured", may],
    ["ran well", { ...may, proven: "ranWell" }],
    ["by the book", { ...may, proven: "book" }],
    ["a guess, then measured on a hill", { ...MEASURED, later: true }],
  ];
  for (const [name, kind] of kinds) {
    const { everything } = await newAirRows((task) => ({ what: "newAir", task, kind }));
    rows.push(newAirRow(name, everything));
    say(name);
  }
  sections.push({
    title: "A setting by its word in new air, no look yet: wrong words, old words, a later one",
    rows,
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
  const plain = Object.keys(kind).length === 0 && !halfGrooves;
  const robotsToo = plain && kit.includes("plug") && !kit.includes("ride");
  for (const policy of policies) {
    if (policy !== "advice" && !(policy === "oneAtATime" ? plain : robotsToo)) continue;
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
    say(`${title}: ${policy}`);
  }
  sections.push({ title, rows });
  sections.push({
    title: `${title}: of what is called so likely right, how much is`,
    rows: calibrationRows(followed),
  });
}

if (only.has("newAir")) {
  const kept: Worded = { ...MEASURED, airSensitivitySd: 0 };
  await airSection(
    "A measured setting in new air, no look yet",
    (task) => ({ what: "newAir", task, kind: MEASURED }),
    true,
  );
  await airSection("The same on engines that keep the orifice law", (task) => ({
    what: "newAir",
    task,
    kind: kept,
  }));
}
if (only.has("words")) await wordSection();
if (only.has("taught"))
  await airSection("The same after two earlier days in other air", (task) => ({
    what: "taughtAir",
    task,
    airSensitivitySd: 0.15,
  }));
if (only.has("unknown"))
  for (const kit of kits) await unknownSection(kit, {}, `Unknown engines, ${kitName(kit)}`);
const told = values.with ? (kits[0] ?? []) : ["plug", "idle", "ride"];
if (only.has("halfGrooves"))
  await unknownSection(told, {}, `Unknown engines, ${kitName(told)}, half grooves in the box`, true);
const KINDS: readonly (readonly [string, string, UnknownKind])[] = [
  ["readers", "Unknown engines with heavy tails", { heavyTails: true }],
  ["readers", "Unknown engines, readers three times as far off", { biasShare: 3 }],
  ["readers", "Unknown engines, one plug and one felt zone in ten shows something else", { slips: 0.1 }],
  ["words", "Engines called by the book, one in six of them another machine's", { proven: "book" }],
  ["words", "Engines called by the book, 15 % rich", { proven: "book", startsOff: -0.15 }],
  ["words", "Engines called by the book, 10 % lean", { proven: "book", startsOff: 0.1 }],
];
for (const [part, title, kind] of KINDS)
  if (only.has(part)) await unknownSection(told, kind, `${title}, ${kitName(told)}`);

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
  const healthyAlone = values.fault === "none";
  for (const fault of healthyAlone ? [] : wanted(values.fault, FAULT_NAMES)) {
    const bySize: FaultOutcome[][] = [];
    for (const size of SIZES_TRIED) bySize.push(await ask({ fault, size }));
    rows.push(faultRow(fault, bySize));
    say(fault);
  }
  sections.push({ title: `Faults, ${kitName(kit)}: first or second, by size`, rows });
  if (values.fault !== undefined && !healthyAlone) return;
  const healthy: readonly (readonly [string, Seeded["odd"]])[] = [
    ["plain", undefined],
    ["heavy tails", "heavyTails"],
    ["15 % rich", "rich"],
    ["10 % lean", "lean"],
    ["a book that is another machine's", "wrongBook"],
  ];
  const alarms: Row[] = [];
  for (const [name, odd] of healthy)
    alarms.push(alarmRow(name, await ask({ fault: undefined, size: 1, ...(odd && { odd }) })));
  sections.push({ title: `Healthy engines, ${kitName(kit)}: false alarms`, rows: alarms });
}
/** What was jetted around a fault is wrong once it is mended: how fast, and how safely, is it right again? */
async function mendedSection(kit: readonly string[]): Promise<void> {
  const rows: Row[] = [];
  for (const fault of JETTED_AROUND) {
    const jobs = rigs.flatMap((rig) =>
      tasks(rig, kit).map((task): Job => ({ what: "mended", task, seeded: { fault, size: 1 } })),
    );
    const results = (await runAll(jobs)) as (Outcome | undefined)[];
    rows.push(
      unknownRow(
        fault,
        results.filter((one) => one !== undefined),
      ),
    );
  }
  sections.push({ title: `Mended, ${kitName(kit)}: after it was jetted around`, rows });
}
if (only.has("mended")) await mendedSection(values.with.split(","));

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
