/** `npm run --silent cli -- COMMAND …`: the core from a terminal. */
import { run } from "./run.ts";

const { stdout, stderr, exitCode } = run(process.argv.slice(2));
if (stdout !== undefined) console.log(stdout);
if (stderr !== undefined) console.error(stderr);
process.exitCode = exitCode;
