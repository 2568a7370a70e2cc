/**
 * Do the tests bite? `npm run test:mutants -- [--rooms advice,belief] [--each 12] [--seed 1] [--workers 2] [--json]`: changes one
 * rule of the core at a time in a copy of it and runs the tests that could notice. A mutant that breaks no test lives.
 * By hand, not in `npm test`: each mutant costs a run of the core's tests.
 */
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { spawnSync } from "node:child_process";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { parseArgs } from "node:util";
import ts from "typescript";
import { seededRandom } from "#core/numbers/random.ts";

const ROOMS = ["advice", "belief", "looks", "faults", "day", "route", "idle", "air", "carburettor"];

const { values } = parseArgs({
  options: {
    rooms: { type: "string", default: ROOMS.join(",") },
    each: { type: "string", default: "12" },
    seed: { type: "string", default: "1" },
    workers: { type: "string", default: "2" },
    json: { type: "boolean", default: false },
  },
});

interface Mutant {
  readonly file: string;
  readonly line: number;
  readonly from: string;
  readonly to: string;
  readonly start: number;
  readonly end: number;
}

/** The other way round, or nearly so: what a slip of the hand would make of an operator. */
const SWAPPED: Readonly<Partial<Record<ts.SyntaxKind, string>>> = {
  [ts.SyntaxKind.LessThanToken]: ">=",
  [ts.SyntaxKind.LessThanEqualsToken]: ">",
  [ts.SyntaxKind.GreaterThanToken]: "<=",
  [ts.SyntaxKind.GreaterThanEqualsToken]: "<",
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: "!==",
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: "===",
  [ts.SyntaxKind.AmpersandAmpersandToken]: "||",
  [ts.SyntaxKind.BarBarToken]: "&&",
  [ts.SyntaxKind.PlusToken]: "-",
  [ts.SyntaxKind.MinusToken]: "+",
  [ts.SyntaxKind.AsteriskToken]: "/",
};

/** @returns every change of one rule, constant or condition in a file */
function mutantsOf(file: string): Mutant[] {
  const text = readFileSync(file, "utf8");
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.ES2023, true);
  const found: Mutant[] = [];
  const add = (node: ts.Node, to: string) => {
    const start = node.getStart(source);
    const { line } = source.getLineAndCharacterOfPosition(start);
    found.push({ file, line: line + 1, from: node.getText(source), to, start, end: node.end });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const to = SWAPPED[node.operatorToken.kind];
      if (to !== undefined) add(node.operatorToken, to);
    }
    // Rules of thumb and bounds stand at the top of a file under a name.
    const named =
      ts.isNumericLiteral(node) &&
      ts.isVariableDeclaration(node.parent) &&
      node.parent.parent.parent.parent === source;
    if (named) add(node, String(Number(node.text) * 2));
    if (node.kind === ts.SyntaxKind.TrueKeyword) add(node, "false");
    if (node.kind === ts.SyntaxKind.FalseKeyword) add(node, "true");
    if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      add(node, node.operand.getText(source));
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

const rooms = values.rooms.split(",");
const copy = mkdtempSync(join(tmpdir(), "tamis-mutants-"));
for (const part of [
  "core",
  "demo",
  "bench",
  "package.json",
  "jest.config.mjs",
  "jest.setup.ts",
  "jest.jsdom-env.cjs",
])
  cpSync(part, join(copy, part), { recursive: true });
symlinkSync(join(process.cwd(), "node_modules"), join(copy, "node_modules"));

const filesIn = (room: string): string[] =>
  readdirSync(join("core", room), { recursive: true, encoding: "utf8" })
    .filter((name) => name.endsWith(".ts") && !name.endsWith(".test.ts"))
    .map((name) => join("core", room, name))
    .sort();

const random = seededRandom(Number(values.seed));
const drawn = rooms.flatMap((room) => {
  const all = filesIn(room).flatMap(mutantsOf);
  const order = all.map((mutant) => ({ mutant, key: random.uniform() })).sort((a, b) => a.key - b.key);
  return order.slice(0, Number(values.each)).map(({ mutant }) => ({ room, mutant }));
});

// The demo as it was told before any change notices nearly everything, and says nothing of what is right.
const OTHERS = ["--testPathIgnorePatterns", "/demo/"];
const jest = (...args: string[]) =>
  spawnSync(
    "node_modules/.bin/jest",
    ["--selectProjects", "core", "--bail", `--maxWorkers=${values.workers}`, ...args, ...OTHERS],
    {
      cwd: copy,
      encoding: "utf8",
      timeout: 240_000,
    },
  );

type Fate = "killed" | "lives" | "too slow";

function fateOf({ file, start, end, to }: Mutant): Fate {
  const text = readFileSync(join(copy, file), "utf8");
  writeFileSync(join(copy, file), text.slice(0, start) + to + text.slice(end));
  // A mutant that never ends was noticed, too.
  const { status, signal } = jest("--findRelatedTests", join(copy, file));
  writeFileSync(join(copy, file), text);
  if (signal !== null) return "too slow";
  return status === 0 ? "lives" : "killed";
}

// A copy in which a test fails by itself would call every mutant noticed.
const whole = jest();
if (whole.status !== 0)
  throw new Error(`the core's tests fail before anything was changed: ${whole.stderr.slice(-2000)}`);

const fates: { room: string; mutant: Mutant; fate: Fate }[] = [];
for (const { room, mutant } of drawn) {
  const fate = fateOf(mutant);
  fates.push({ room, mutant, fate });
  const { file, line, from, to } = mutant;
  if (!values.json) console.log(`${fate.padEnd(8)} ${file}:${line}  ${from} -> ${to}`);
}
rmSync(copy, { recursive: true, force: true });
if (values.json) console.log(JSON.stringify(fates, undefined, 2));
else
  for (const room of rooms) {
    const own = fates.filter((one) => one.room === room);
    const lives = own.filter(({ fate }) => fate === "lives").length;
    console.log(`${room}: ${own.length - lives} of ${own.length} noticed`);
  }
