/** Proposed outcome of a check from its measures and findings. */
import type { BaseSheet, Build, CheckEntry } from "../log/schema.ts";
import type { CheckName, CheckState, MeasureName } from "../log/walk-round-names.ts";
import { rigFromBuild } from "../rig/from-build.ts";
import { alignment } from "./concentricity.ts";
import { CHECK_PLAN, gravest } from "./checks.ts";
import { judgeFloat, type FloatVerdict } from "./float.ts";
import { limitFor, sideOf, type Side } from "./limits.ts";
import { judgePins, type PinVerdict } from "./pin-gauge.ts";

export interface Proposal {
  readonly state: CheckState;
  readonly outside: readonly { measure: MeasureName; side: Exclude<Side, "within"> }[];
}

type Seen = Pick<CheckEntry, "measured" | "findings">;

const isNumber = (value: number | undefined): value is number => value !== undefined;

/** @returns the verdict on the pins of one jet, when both were tried */
export function pinVerdict(
  { measured }: Pick<Seen, "measured">,
  build: Build,
  part: "pilot" | "main",
  stamped: number,
): PinVerdict | undefined {
  const [go, noGo] =
    part === "pilot" ? [measured.pilotGoMm, measured.pilotNoGoMm] : [measured.mainGoMm, measured.mainNoGoMm];
  const { carburettor } = rigFromBuild(build);
  const numbering = part === "pilot" ? carburettor.pilotNumbering : carburettor.mainNumbering;
  return isNumber(go) && isNumber(noGo) ? judgePins(go, noGo, stamped, numbering, part) : undefined;
}

/** @returns the verdict on the float's height, when it was measured */
export function floatVerdict(
  { measured }: Pick<Seen, "measured">,
  build: Build,
  sheet?: BaseSheet,
): FloatVerdict | undefined {
  const { floatLeftMm: leftMm, floatRightMm: rightMm } = measured;
  return leftMm === undefined
    ? undefined
    : judgeFloat({ leftMm, rightMm }, limitFor("floatLeftMm", build, sheet));
}

function outsideOf(
  check: CheckName,
  { measured }: Seen,
  build: Build,
  sheet?: BaseSheet,
): Proposal["outside"] {
  return CHECK_PLAN[check].measures.flatMap((measure) => {
    const value = measured[measure];
    const limit = limitFor(measure, build, sheet);
    if (value === undefined || !limit) return [];
    const side = sideOf(value, limit);
    return side === "within" ? [] : [{ measure, side }];
  });
}

/** How far apart the axes of carburettor and manifold may stand before an edge disturbs the stream. */
const MOST_OFFSET_MM = 0.5;

/** Verdicts that no single limit can give. */
function special(
  check: CheckName,
  seen: Seen,
  build: Build,
  fitted: { pilot: number; main: number },
): CheckState[] {
  if (check === "passages")
    return (["pilot", "main"] as const).flatMap((part): CheckState[] => {
      const pins = pinVerdict(seen, build, part, fitted[part]);
      return pins && pins.verdict !== "asStamped" ? ["stop"] : [];
    });
  if (check === "floatHeight") return floatVerdict(seen, build)?.parallel === false ? ["notes"] : [];
  if (check === "airLeaks") {
    const { stepTopMm = 0, stepBottomMm = 0, stepLeftMm = 0, stepRightMm = 0 } = seen.measured;
    const { offsetMm } = alignment({
      topMm: stepTopMm,
      bottomMm: stepBottomMm,
      leftMm: stepLeftMm,
      rightMm: stepRightMm,
    });
    return offsetMm > MOST_OFFSET_MM ? ["notes"] : [];
  }
  return [];
}

/**
 * @param fitted - jets as fitted, which the pins are held against
 * @returns the state to propose, and the measures outside their limits
 * @throws {RangeError} for measurements that cannot be, e.g. pins in the wrong order
 */
export function propose(
  check: CheckName,
  seen: Seen,
  build: Build,
  fitted: { pilot: number; main: number },
  sheet?: BaseSheet,
): Proposal {
  const plan = CHECK_PLAN[check];
  const outside = outsideOf(check, seen, build, sheet);
  const found = seen.findings.map((name): CheckState => plan.findings[name]?.gravity ?? "notes");
  const state = gravest([
    ...found,
    ...outside.map(() => plan.outside),
    ...special(check, seen, build, fitted),
  ]);
  return { state, outside };
}
