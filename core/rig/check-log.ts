/**
 * Validates entries against the model: the model's own limits, asked of every entry before it is kept (form,
 * strike, merge, import, command line) and of every log that is read. What is stored already and cannot be is set
 * aside by name: everything else goes on without it.
 */
import { applyFit } from "../log/settings.ts";
import { fold, foldOn } from "../log/fold.ts";
import type { LogLine, Present } from "../log/present.ts";
import type { Build, Entry, Setting } from "../log/schema.ts";
import { refusalOf, requireRange, requireWhole, Refusal } from "../units/guard.ts";
import { SCREW_DOMAIN } from "../carburettor/carburettor.ts";
import { buildOfCarburettor, carburettorCount } from "./carburettors.ts";
import { checkBuild } from "./check-build.ts";
import { checkSettingOn } from "./check-setting.ts";
import { airStateFromLog, humidAirFromLog } from "./from-build.ts";

export interface Impossible {
  readonly entry: Entry;
  /** rule and value, in words */
  readonly why: string;
}

/** Checks that cost something, kept for the length of one reading of a log. */
class Known {
  private readonly settings = new Map<string, Refusal | undefined>();
  private readonly names = new Map<object, number>();

  /** @throws {RangeError} as {@link checkSettingOn}, asked once a machine and setting */
  setting(rig: Build, carburettor: number, setting: Setting): void {
    const name = this.names.get(rig) ?? this.names.size;
    this.names.set(rig, name);
    const key = `${name} ${rig.others ? carburettor : 0} ${JSON.stringify(setting)}`;
    if (!this.settings.has(key))
      this.settings.set(
        key,
        refusalOf(() => checkSettingOn(buildOfCarburettor(rig, carburettor), setting)),
      );
    const why = this.settings.get(key);
    if (why) throw why;
  }
}

function checkSettings(known: Known, rig: Build, settings: readonly (Setting | undefined)[]): void {
  for (let i = 0; i < carburettorCount(rig); i += 1) {
    const setting = settings[i];
    if (setting) known.setting(rig, i, setting);
  }
}

function checkTurns(entry: Extract<Entry, { kind: "look" }>): void {
  const { reading } = entry;
  if (reading.type !== "bestIdle") return;
  const { fallInTurns, fallOutTurns } = reading;
  for (const turns of [fallInTurns, fallOutTurns])
    requireRange("fall-off of the idle", turns, SCREW_DOMAIN.min, SCREW_DOMAIN.max, "turns");
  if (!(fallInTurns <= fallOutTurns))
    throw new Refusal(
      "fall-offs of the idle",
      "must run outwards",
      `${fallInTurns} to ${fallOutTurns} turns`,
    );
}

/** @throws {RangeError} with name, rule and value where the machine of that moment cannot have this */
function checkLine({ entry, befores, build }: Omit<LogLine, "setAside">, known: Known): void {
  switch (entry.kind) {
    case "build": {
      checkBuild(entry.build);
      const base = Array.from({ length: carburettorCount(entry.build) }, (_, i) => befores[i]);
      return checkSettings(known, entry.build, base);
    }
    case "air":
      humidAirFromLog(entry);
      airStateFromLog(entry);
      return;
    case "fit":
      if (!build) throw new Refusal("a fit", "must come after the rig it is fitted on", "none before it");
      for (const { carburettor } of entry.changes)
        if (carburettor !== undefined) requireWhole("carburettor", carburettor, 1, carburettorCount(build));
      return checkSettings(
        known,
        build,
        befores.map((setting, i) => applyFit(setting, entry, i + 1)),
      );
    case "look":
      if (build && entry.cylinder !== undefined)
        requireWhole("cylinder", entry.cylinder, 1, build.engine.cylinders);
      return checkTurns(entry);
    case "fault":
      if (build && entry.cylinder !== undefined)
        requireWhole("cylinder", entry.cylinder, 1, build.engine.cylinders);
      return;
    case "proven":
      if (build && entry.setting)
        checkSettings(
          known,
          build,
          befores.map(() => entry.setting),
        );
      return;
    default:
      return;
  }
}

const NOTHING_REFUSED: readonly Impossible[] = [];

/**
 * @param entries - of one rig, in any order
 * @returns what they add up to; what the rig cannot have is set aside by name in its line
 */
export function foldPossible(entries: readonly Entry[]): Present {
  return fold(entries, possible());
}

/** The same of a log that is folded already, and of what comes to it. */
export const foldPossibleOn = (before: Present, added: readonly Entry[]): Present =>
  foldOn(before, added, possible());

/** @returns why an entry cannot be where it stands */
function possible(): (line: Omit<LogLine, "setAside">) => string | undefined {
  const known = new Known();
  return (line) => refusalOf(() => checkLine(line, known))?.message;
}

/** @returns the entries that a rig cannot have, with the reason */
export function impossibleEntries({ lines }: Present): readonly Impossible[] {
  const found = lines.flatMap(({ entry, setAside: why }) => (why === undefined ? [] : [{ entry, why }]));
  return found.length > 0 ? found : NOTHING_REFUSED;
}

/**
 * @param before - what the log adds up to as it is kept, of {@link foldPossible}
 * @param added - what is to be kept with it, in one go
 * @returns what it then adds up to, and the first entry, new or old, that could then not be: nothing may be kept;
 *   nothing when all can
 */
export function foldWith(
  before: Present,
  added: readonly Entry[],
): { readonly present: Present; readonly refused: Impossible | undefined } {
  const known = new Set(impossibleEntries(before).map(({ entry }) => entry.id));
  const present = foldPossibleOn(before, added);
  return { present, refused: impossibleEntries(present).find(({ entry }) => !known.has(entry.id)) };
}

/** The same of a log that is not folded yet. */
export const checkEntries = (log: readonly Entry[], added: readonly Entry[]): Impossible | undefined =>
  foldWith(foldPossible(log), added).refused;
