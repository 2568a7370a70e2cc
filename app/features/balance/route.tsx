import { Link, redirect } from "react-router";
import type { Route } from "./+types/route";
import { carburettorCount } from "#core/rig/carburettors.ts";
import { CylinderTabs } from "#app/frame/CylinderTabs.tsx";
import { BalanceDraft, BalanceSent, withLinkage } from "./form.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { placeHref } from "#app/frame/places.ts";
import { openRig } from "#app/journal/open-rig.ts";
import { refused, saveEntries, readSent } from "#app/journal/save.ts";
import { dropDraft, readDraft } from "#app/store/drafts.ts";
import { BalanceBench, DRAFT } from "./BalanceBench.tsx";

export async function clientLoader({ params }: Route.ClientLoaderArgs) {
  return { draft: await readDraft(BalanceDraft, params.rigId, DRAFT) };
}

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const read = readSent(BalanceSent, await request.json(), "These gauges");
  if (!read.ok) return read.answer;
  const { linkage, allowedPa, speed, beforePa, afterPa, simulated } = read.sent;
  const { build } = await openRig(params.rigId);
  if (afterPa.length !== carburettorCount(build) || beforePa.length !== afterPa.length)
    return refused({
      message: `This rig has ${carburettorCount(build)} carburettors; that many gauges are read.`,
    });
  const linked = withLinkage(build, linkage, allowedPa);
  const problem = await saveEntries(params.rigId, [
    ...(linked
      ? [{ kind: "build" as const, build: linked, reopens: [], why: "How the carburettors are linked" }]
      : []),
    { kind: "balance", speed, beforePa, afterPa, ...(simulated && { simulated: true }) },
  ]);
  if (problem) return refused(problem, 507);
  await dropDraft(params.rigId, DRAFT);
  return redirect(placeHref(params.rigId, "cylinders"));
}

export default function BalanceRoute({ loaderData }: Route.ComponentProps) {
  const { build, header } = useRig();
  const count = carburettorCount(build);
  return (
    <div className="stack">
      <CylinderTabs />
      {count < 2 ? (
        <>
          <h1>Nothing to balance</h1>
          <p className="lead quiet">
            By its description this rig has one carburettor. If it has more, say so under{" "}
            <Link to={placeHref(header.id, "build")}>Rig</Link>.
          </p>
        </>
      ) : (
        <BalanceBench key={count} kept={loaderData.draft} />
      )}
    </div>
  );
}
