/** One thread of the bench: tasks in, results out. */
import { parentPort, workerData } from "node:worker_threads";
import { runJob, type Job } from "./jobs.ts";

const { jobs } = workerData as { jobs: readonly Job[] };
for (const job of jobs) parentPort?.postMessage({ job, result: runJob(job) });
