import { data } from "react-router";
import type { Route } from "./+types/route";
import { CHECKS, CheckName } from "#core/log/walk-round-names.ts";
import { attempt, Refusal } from "#core/units/guard.ts";
import { propose } from "#core/walkround/proposal.ts";
import { CHECK_PLAN } from "#core/walkround/checks.ts";
import { keepSheets, sheetFor } from "#app/frame/limits.ts";
import { rigAction } from "#app/journal/rig-action.ts";
import { placeHref } from "#app/frame/places.ts";
import { checkDraft, CheckForm, measureOf, withLimits } from "./form.ts";
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

export const clientAction = rigAction({
  codec: CheckForm,
  form: (_, { params }) => checkDraft(params["check"] ?? ""),
  what: "This check",
  entries: ({ state, measured, limits, findings, note }, { rig: { build, fitted, present }, params }) => {
    const check = checkOf(params["check"] ?? "");
    const base = sheetFor(build, present.sheet);
    const sheet = withLimits(base, CHECK_PLAN[check].measures, limits);
    const comesTo = attempt(() => propose(check, { measured, findings }, build, fitted, sheet ?? base));
    if (comesTo instanceof Refusal) {
      const message = `This machine cannot have that: ${comesTo.message}.`;
      const measure = measureOf(comesTo);
      return { message, ...(measure && { fields: { [`measured.${measure}`]: message } }) };
    }
    return [
      ...(sheet ? [{ kind: "base" as const, sheet }] : []),
      { kind: "check", check, state: state || comesTo.state, measured, findings, note },
    ];
  },
  // The rig's own log has the limits now; the collection is there to find them again on another rig.
  after: keepSheets,
  then: (rigId, contents, { params }) => {
    const next = nextCheck(checkOf(params["check"] ?? ""));
    const stops = contents.some((content) => content.kind === "check" && content.state === "stop");
    return placeHref(rigId, stops || !next ? "walk-round" : `walk-round/${next}`);
  },
});

export default function CheckRoute({ loaderData: { check } }: Route.ComponentProps) {
  return <CheckScreen key={check} check={check} />;
}
