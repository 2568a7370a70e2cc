/** Parses an exported log: a checked file or one problem; never throws on bad input. */
import type * as z from "zod/mini";
import { parseKeeping } from "./keep-unknown.ts";
import { migrate } from "./migrations.ts";
import { pathText } from "./path-text.ts";
import { LOG_VERSION, LogFile } from "./schema.ts";

export interface FileProblem {
  readonly reason:
    | "tooLarge"
    | "notJson"
    | "notTamis"
    | "newerVersion"
    | "dangerousKey"
    | "tooDeep"
    | "unknownKind"
    | "badEntry"
    | "duplicateId"
    | "noBuild";
  /** where in the file, e.g. `rigs[0].entries[3].reading.lambda` */
  readonly where: string;
  /** what is wrong and what to do, in one sentence */
  readonly message: string;
}

export type FileRead =
  | {
      readonly ok: true;
      readonly file: LogFile;
      /** where keys stand that a newer Tamis has written: kept, not understood */
      readonly unknown: readonly string[];
    }
  | { readonly ok: false; readonly problem: FileProblem };

/** Years of looks fit into a tenth of this, the rest is for photos; anything larger is another kind of file. */
export const LARGEST_FILE_BYTES = 48 * 1024 * 1024;

const failed = (reason: FileProblem["reason"], where: string, message: string): FileRead => ({
  ok: false,
  problem: { reason, where, message },
});

/** @param bytes - its size, known before it is read: a huge file is refused unread */
export function checkFileSize(bytes: number): FileProblem | undefined {
  if (bytes <= LARGEST_FILE_BYTES) return undefined;
  const size = (n: number) => `${(n / 1024 / 1024).toFixed(0)} MB`;
  return {
    reason: "tooLarge",
    where: "file",
    message: `This file has ${size(bytes)}; a log has at most ${size(LARGEST_FILE_BYTES)}. Choose a file that Tamis exported.`,
  };
}

const DANGEROUS = new Set(["__proto__", "prototype", "constructor"]);

/** A log is six deep; what is nested further was made to break something. */
const DEEPEST = 40;

interface KeyProblem {
  readonly where: string;
  readonly reason: "dangerousKey" | "tooDeep";
}

/** Where in the file it is, once {@link isDangerous} has said that there is something. */
function keyProblem(root: unknown): KeyProblem | undefined {
  const left: { value: unknown; path: string; depth: number }[] = [{ value: root, path: "", depth: 0 }];
  for (let next = left.pop(); next; next = left.pop()) {
    const { value, path, depth } = next;
    if (typeof value !== "object" || value === null) continue;
    if (depth > DEEPEST) return { where: path.slice(0, 80), reason: "tooDeep" };
    if (Array.isArray(value)) {
      value.forEach((item, i) => left.push({ value: item, path: `${path}[${i}]`, depth: depth + 1 }));
      continue;
    }
    for (const [key, item] of Object.entries(value)) {
      const here = path === "" ? key : `${path}.${key}`;
      if (DANGEROUS.has(key)) return { where: here, reason: "dangerousKey" };
      left.push({ value: item, path: here, depth: depth + 1 });
    }
  }
  return undefined;
}

/** Looks without calling itself: a file nested thousands deep must not end the program that reads it. */
function isDangerous(root: unknown): boolean {
  let level: object[] = typeof root === "object" && root !== null ? [root] : [];
  for (let depth = 0; level.length > 0; depth += 1) {
    if (depth > DEEPEST) return true;
    const deeper: object[] = [];
    for (const value of level) {
      const named = !Array.isArray(value);
      for (const key of Object.keys(value)) {
        if (named && DANGEROUS.has(key)) return true;
        const item = (value as Record<string, unknown>)[key];
        if (typeof item === "object" && item !== null) deeper.push(item);
      }
    }
    level = deeper;
  }
  return false;
}

function issueProblem(issue: z.core.$ZodIssue): FileRead {
  const where = pathText(issue.path);
  if (issue.code === "invalid_union" && issue.path.at(-1) === "kind")
    return failed(
      "unknownKind",
      where,
      `${where}: this kind of entry is unknown here. The file may come from another program.`,
    );
  return failed(
    "badEntry",
    where,
    `${where}: ${issue.message}. Nothing was imported; correct the file or export it again.`,
  );
}

function firstDuplicate(file: LogFile): string | undefined {
  const seen = new Set<string>();
  for (const [r, rig] of file.rigs.entries()) {
    for (const id of [
      rig.header.id,
      ...[...rig.entries, ...(rig.setAside ?? [])].map((entry) => `${rig.header.id} ${entry.id}`),
    ]) {
      if (seen.has(id)) return `rigs[${r}]: ${id.split(" ").at(-1) ?? id}`;
      seen.add(id);
    }
  }
  return undefined;
}

function parseJson(text: string): { ok: true; value: unknown } | { ok: false; message: string } {
  try {
    return { ok: true, value: JSON.parse(text) };
  } catch (error) {
    return { ok: false, message: error instanceof Error ? error.message : String(error) };
  }
}

/** @returns the checked log file, or the first problem with where it stands and what to do */
export function readLogFile(text: string): FileRead {
  const json = parseJson(text.replace(/^\uFEFF/, ""));
  if (!json.ok)
    return failed(
      "notJson",
      "file",
      `This file is not JSON (${json.message}). Choose a file that Tamis exported.`,
    );
  const raw = json.value;
  const danger = isDangerous(raw) ? keyProblem(raw) : undefined;
  if (danger)
    return failed(
      danger.reason,
      danger.where,
      danger.reason === "tooDeep"
        ? `${danger.where}…: nested deeper than any log. Choose a file that Tamis exported.`
        : `${danger.where}: a key of this name can do harm, so the file is refused.`,
    );
  if (typeof raw !== "object" || raw === null || !("format" in raw) || raw.format !== "tamis")
    return failed(
      "notTamis",
      "format",
      "This is JSON, but not a Tamis log. Choose a file that Tamis exported.",
    );
  const migrated = migrate({ ...raw });
  if (!migrated.ok) {
    const version = JSON.stringify(migrated.version) ?? "none";
    return migrated.reason === "newer"
      ? failed(
          "newerVersion",
          "version",
          `This log is version ${version}; this Tamis reads up to ${LOG_VERSION}. Update Tamis, then import it.`,
        )
      : failed("notTamis", "version", `This log says version ${version}, which never was. Export it again.`);
  }
  const parsed = parseKeeping(LogFile, migrated.record);
  if (!parsed.ok) {
    const [issue] = parsed.error.issues;
    return issue
      ? issueProblem(issue)
      : failed("badEntry", "file", "This log cannot be read. Export it again.");
  }
  const duplicate = firstDuplicate(parsed.data);
  if (duplicate !== undefined)
    return failed(
      "duplicateId",
      duplicate,
      `${duplicate} is used twice. Nothing was imported; export the log again.`,
    );
  const empty = parsed.data.rigs.findIndex((rig) => !rig.entries.some((entry) => entry.kind === "build"));
  if (empty >= 0)
    return failed(
      "noBuild",
      `rigs[${empty}]`,
      `rigs[${empty}] has no build entry: nothing says what machine it is.`,
    );
  return { ok: true, file: parsed.data, unknown: parsed.unknown };
}
