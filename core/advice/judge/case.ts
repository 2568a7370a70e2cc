/** A log prepared for questions: folded, replayed, and split into groups of carburettors that are advised as one. */
import type { HumidAir } from "../../air/humid-air.ts";
import type { Frame } from "../../belief/frame.ts";
import type { Evidence } from "../../belief/evidence.ts";
import { replay, type Replayed, type ReplayOptions } from "../../belief/replay.ts";
import { suspicion, type Suspicion } from "../../faults/suspicion.ts";
import { placeKey } from "../../log/day-schema.ts";
import type { Present } from "../../log/present.ts";
import type { AirEntry, Build, Entry, InstrumentMessage, Setting } from "../../log/schema.ts";
import { adviceGroups, buildOfCarburettor, cylindersFedBy } from "../../rig/carburettors.ts";
import { foldPossible, foldPossibleOn } from "../../rig/check-log.ts";
import { humidAirFromLog } from "../../rig/from-build.ts";
import { beliefsOf, settingJudge, type SettingJudge } from "./judge-setting.ts";

/** Everything that does not change while an air is being typed. */
export interface Case {
  readonly present: Present;
  readonly build: Build;
  readonly replayed: Replayed;
  /** what other rigs say of the instruments */
  readonly heard: readonly InstrumentMessage[];
  /** what else than jetting it could be; worked out when it is first asked */
  readonly suspicion: Suspicion;
}

/** The carburettors advised as one: their machine, what is fitted, what is believed of their cylinders. */
export interface Group {
  readonly carburettors: readonly number[];
  readonly groups: number;
  readonly build: Build;
  readonly frame: Frame;
  readonly fitted: Setting;
  /** counted from 1 */
  readonly cylinders: readonly number[];
  /** looks at these cylinders, or at the engine as a whole */
  readonly evidence: readonly Evidence[];
}

/**
 * What this rig cannot have is passed over: it stays in the log, and no advice uses it.
 * @throws {RangeError} if the log holds no build that can be
 */
export const openCase = (entries: readonly Entry[], options: ReplayOptions = {}): Case =>
  caseOf(foldPossible(entries), options);

/** The same with entries that come to a log that is open. */
export const openCaseWith = (
  { present, heard: messages }: Case,
  added: readonly Entry[],
  options: ReplayOptions = {},
): Case => caseOf(foldPossibleOn(present, added), { messages, ...options });

function caseOf(present: Present, options: ReplayOptions): Case {
  const replayed = replay(present, options);
  const { build } = present;
  if (!build) throw new RangeError("log must hold a build, got none");
  const { messages: heard = [] } = options;
  let suspected: Suspicion | undefined;
  return {
    present,
    build: riddenAt(build, present),
    replayed,
    heard,
    get suspicion() {
      return (suspected ??= suspicion(present, replayed));
    },
  };
}

/** Where the newest air was read it may be ridden otherwise than elsewhere: what counts there counts. */
function riddenAt(build: Build, { air, ahead }: Present): Build {
  const usage = air && ahead.places.get(placeKey(air.place))?.usage;
  return usage ? { ...build, usage } : build;
}

export function groupOf({ present, build: rig, replayed }: Case, carburettor: number): Group {
  const all = adviceGroups(rig, present.settings);
  const carburettors = all.find((members) => members.includes(carburettor)) ?? all[0] ?? [0];
  const [first = 0] = carburettors;
  const build = buildOfCarburettor(rig, first);
  const frame = replayed.frames[first];
  if (!frame) throw new RangeError(`carburettor must be in 0..${replayed.frames.length - 1}, got ${first}`);
  const cylinders = carburettors.flatMap((one) => cylindersFedBy(rig, one));
  const elsewhere = new Set(
    present.looks.flatMap(({ entry: { id, cylinder } }) =>
      cylinder === undefined || cylinders.includes(cylinder) ? [] : [id],
    ),
  );
  return {
    carburettors,
    groups: all.length,
    build,
    frame,
    fitted: present.settings[first] ?? build.baseline.setting,
    cylinders,
    evidence: replayed.evidence.filter(({ lookId }) => !elsewhere.has(lookId)),
  };
}

/** @returns the newest air, or the reference's where none was read */
export const airOf = (entry: AirEntry | undefined, { air }: Frame): HumidAir =>
  entry ? humidAirFromLog(entry) : air;

export function judgeOf({ replayed }: Case, group: Group, air: HumidAir): SettingJudge {
  const beliefs = beliefsOf(replayed.joint, group.cylinders);
  return settingJudge(group.frame, group.build, beliefs, air);
}
