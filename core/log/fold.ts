/** From a list of entries to everything the screens show. The log is the only state; all of this is derived. */
import { PARTS, type Part } from "./parts.ts";
import type { AirEntry, Build, BuildEntry, Entry, FitEntry, LookEntry, Setting } from "./schema.ts";
import type * as z from "zod";

export type BuildRecord = z.infer<typeof BuildEntry>;

/** A look together with what was fitted and what the air was when it was taken. */
export interface SeenLook {
  readonly entry: LookEntry;
  readonly setting: Setting;
  /** none had been read before this look: the baseline's air is taken */
  readonly air: AirEntry | undefined;
  /** which build it was taken on, an index into `builds` */
  readonly build: number;
}

/** What has been changed since anybody looked. */
export interface OpenChange {
  readonly fits: readonly FitEntry[];
  readonly before: Setting;
  readonly after: Setting;
  /** parts that differ between the two; more than one and a look cannot tell them apart */
  readonly parts: readonly Part[];
}

export interface LogLine {
  readonly entry: Entry;
  readonly struck: boolean;
  /** what was fitted just before */
  readonly before: Setting | undefined;
}

export interface Present {
  readonly builds: readonly BuildRecord[];
  readonly build: Build | undefined;
  readonly setting: Setting | undefined;
  readonly air: AirEntry | undefined;
  readonly looks: readonly SeenLook[];
  readonly openChange: OpenChange | undefined;
  /** the newest air came after the newest look and fit: the card is due */
  readonly cardDue: boolean;
  readonly lines: readonly LogLine[];
}

export function applyFit(setting: Setting, fit: Pick<FitEntry, "changes">): Setting {
  return fit.changes.reduce((now, { part, to }) => ({ ...now, [part]: to }), setting);
}

export function changedParts(before: Setting, after: Setting): Part[] {
  return PARTS.filter((part) => before[part] !== after[part]);
}

/** Ordered by time; entries of the same instant keep the order they were entered in. */
export function inOrder(entries: readonly Entry[]): Entry[] {
  return [...entries].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}

/** A strike can itself be struck, which brings its entry back: the last word counts. */
function struckIds(ordered: readonly Entry[]): Set<string> {
  const struck = new Set<string>();
  for (const entry of [...ordered].reverse())
    if (entry.kind === "strike" && !struck.has(entry.id)) struck.add(entry.strikes);
  return struck;
}

interface Running {
  builds: BuildRecord[];
  setting: Setting | undefined;
  air: AirEntry | undefined;
  looks: SeenLook[];
  pending: { fits: FitEntry[]; before: Setting } | undefined;
  cardDue: boolean;
}

function step(now: Running, entry: Entry): void {
  switch (entry.kind) {
    case "build":
      now.builds.push(entry);
      now.setting ??= entry.build.baseline.setting;
      return;
    case "air":
      now.air = entry;
      now.cardDue = true;
      return;
    case "fit":
      if (!now.setting) return;
      now.pending = {
        fits: [...(now.pending?.fits ?? []), entry],
        before: now.pending?.before ?? now.setting,
      };
      now.setting = applyFit(now.setting, entry);
      now.cardDue = false;
      return;
    case "look":
      if (!now.setting) return;
      now.looks.push({ entry, setting: now.setting, air: now.air, build: now.builds.length - 1 });
      now.pending = undefined;
      now.cardDue = false;
      return;
    case "note":
    case "strike":
      return;
  }
}

function openChange({ pending, setting }: Running): OpenChange | undefined {
  if (!pending || !setting) return undefined;
  const parts = changedParts(pending.before, setting);
  return parts.length === 0
    ? undefined
    : { fits: pending.fits, before: pending.before, after: setting, parts };
}

/** @param entries - of one rig, in any order; @returns what they add up to now */
export function fold(entries: readonly Entry[]): Present {
  const ordered = inOrder(entries);
  const struck = struckIds(ordered);
  const now: Running = {
    builds: [],
    setting: undefined,
    air: undefined,
    looks: [],
    pending: undefined,
    cardDue: false,
  };
  const lines = ordered.map((entry): LogLine => {
    const line = { entry, struck: struck.has(entry.id), before: now.setting };
    if (!line.struck) step(now, entry);
    return line;
  });
  const { builds, setting, air, looks, cardDue } = now;
  return {
    builds,
    build: builds.at(-1)?.build,
    setting,
    air,
    looks,
    openChange: openChange(now),
    cardDue,
    lines,
  };
}
