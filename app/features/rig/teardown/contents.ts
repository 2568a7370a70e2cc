import * as z from "zod/mini";
import { Change, PhotoRef } from "#core/log/schema.ts";
import { TEARDOWN_STEPS, TeardownStep } from "#core/log/teardown-names.ts";
import { applyFit } from "#core/log/settings.ts";
import { buildReadOff, buildStamped, fittedPart, NUMBER_STEPS } from "#core/rig/read-off.ts";
import { checkBuild } from "#core/rig/check-build.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { propose } from "#core/walkround/proposal.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { type OpenRig } from "#app/journal/open-rig.ts";
import { modelRefusal, type Content } from "#app/journal/save.ts";
import { TEARDOWN_WORDS } from "#app/vocabulary/teardown.ts";
import { noNumber } from "#app/vocabulary/bounds.ts";

export const StepForm = z.object({
  step: TeardownStep,
  moved: z.enum(["out", "in"]),
  reads: z.string().check(z.trim(), z.maxLength(60)),
  torque: z.string().check(z.trim(), z.maxLength(60)),
  note: z.string().check(z.trim(), z.maxLength(2000)),
  photos: z.array(PhotoRef).check(z.maxLength(12)),
});

/** Under which what was typed of one step is kept. */
export const stepDraft = (step: TeardownStep): string => `teardown/${step}`;

export type Step = z.infer<typeof StepForm>;

/** A float's height is a measure of the walk-round: outside its limits it says stop there. */
export function floatCheck(floatLeftMm: number, { build, fitted, present }: OpenRig): Content[] | string {
  const seen = { measured: { floatLeftMm }, findings: [] };
  const impossible = modelRefusal(() => propose("floatHeight", seen, build, fitted, present.sheet));
  if (impossible) return impossible.message;
  const { state } = propose("floatHeight", seen, build, fitted, present.sheet);
  return [{ kind: "check", check: "floatHeight", state, ...seen, note: "Read at the teardown." }];
}

/** What a number read off a part says of the rig: what is fitted, or a measure, with its date. */
export function readOff({ step, moved, reads }: Step, rig: OpenRig): Content[] | string {
  const { build, present } = rig;
  if (moved === "in" || reads === "") return [];
  if (step === "stamp") {
    const stamped = buildStamped(build, reads.slice(0, 40));
    return stamped ? [{ kind: "build", build: stamped, reopens: [], why: `Stamped ${reads}` }] : [];
  }
  if (!NUMBER_STEPS.includes(step)) return [];
  const read = readTypedNumber(reads);
  if (!read.ok) return noNumber(reads);
  const part = fittedPart(step);
  if (part) {
    const change = Change.safeParse({ part, to: read.value });
    if (!change.success) return `${TEARDOWN_WORDS[step].title} cannot be ${reads}.`;
    if (present.settings.every((setting) => setting[part] === read.value)) return [];
    return [{ kind: "fit", changes: [change.data], because: "teardown" }];
  }
  if (step === "float") return floatCheck(read.value, rig);
  const measured = buildReadOff(build, step, read.value);
  return measured
    ? [{ kind: "build", build: measured, reopens: [], why: `${TEARDOWN_WORDS[step].title} read off` }]
    : [];
}

export function refusalOf(contents: readonly Content[], { build, fitted }: OpenRig): string | undefined {
  const refusal = modelRefusal(() => {
    for (const content of contents) {
      if (content.kind === "build") {
        checkBuild(content.build);
        checkSettingOn(content.build, fitted);
      }
      if (content.kind === "fit") checkSettingOn(build, applyFit(fitted, content));
    }
  });
  return refusal?.message;
}

export const nextStep = (step: TeardownStep, moved: "out" | "in"): TeardownStep | undefined =>
  TEARDOWN_STEPS[TEARDOWN_STEPS.indexOf(step) + (moved === "out" ? 1 : -1)];
