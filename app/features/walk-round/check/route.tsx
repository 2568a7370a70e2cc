import { data, redirect } from "react-router";
import type { Route } from "./+types/route";
import { CHECKS, CheckName } from "#core/log/walk-round-names.ts";
import { propose } from "#core/walkround/proposal.ts";
import { readLimits, sheetFor, UNSTAMPED } from "#app/journal/limits.ts";
import { CheckSent, readMeasured, withLimits } from "./form.ts";
import { placeHref } from "#app/frame/places.ts";
import { openRig } from "#app/journal/open-rig.ts";
import { modelRefusal, refused, saveEntries, readSent } from "#app/journal/save.ts";
import { saveSheets } from "#app/store/base-sheets.ts";
import { CheckScreen } from "./CheckScreen.tsx";

const nextCheck = (check: CheckName): CheckName | undefined => CHECKS[CHECKS.indexOf(check) + 1];

function checkOf(name: string): CheckName {
  const parsed = CheckName.safeParse(name);
  if (!parsed.success) throw data(`There is no check “${name}” in the walk-round.`, { status: 404 });
  return parsed.data;
}

export function clientLoader({ params }: Route.ClientLoaderArgs) {
  return { check: checkOf(params.check) };
}

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const check = checkOf(params.check);
  const form = readSent(CheckSent, await request.json(), "This check");
  if (!form.ok) return form.answer;
  const { state, texts, limits: typed, findings, note } = form.sent;
  const { measured, problems } = readMeasured(texts);
  const [wrong] = Object.entries(problems);
  if (wrong) return refused({ fields: { [wrong[0]]: wrong[1] } });
  const read = readLimits(typed);
  if (!read.ok) return refused({ fields: { [read.measure]: read.message } });
  const { build, fitted, present } = await openRig(params.rigId);
  const refusal = modelRefusal(() => propose(check, { measured, findings }, build, fitted, present.sheet));
  if (refusal !== undefined) return refused({ message: refusal });
  const sheet = withLimits(sheetFor(build, present.sheet), Object.keys(typed), read.limits);
  const problem = await saveEntries(params.rigId, [
    ...(sheet ? [{ kind: "base" as const, sheet }] : []),
    { kind: "check", check, state, measured, findings, note },
  ]);
  if (problem) return refused(problem, 507);
  // The rig's own log has the limits now; the collection is there to find them again on another rig.
  const kept = sheet && sheet.stamp !== UNSTAMPED ? await saveSheets([sheet]) : undefined;
  if (kept?.ok === false)
    return refused({ message: `Saved in this rig’s log. ${kept.problem.message}` }, 507);
  const next = nextCheck(check);
  return redirect(placeHref(params.rigId, state === "stop" || !next ? "walk-round" : `walk-round/${next}`));
}

export default function CheckRoute({ loaderData: { check } }: Route.ComponentProps) {
  return <CheckScreen key={check} check={check} />;
}
