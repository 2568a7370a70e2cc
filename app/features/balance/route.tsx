import { Link } from "react-router";
import type { Route } from "./+types/route";
import { carburettorCount } from "#core/rig/carburettors.ts";
import { BalanceDraft, BalanceSent, withLinkage } from "./form.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { placeHref } from "#app/frame/places.ts";
import { rigAction } from "#app/journal/rig-action.ts";
import { readDraft } from "#app/store/drafts.ts";
import { BalanceBench, DRAFT } from "./BalanceBench.tsx";

export async function clientLoader({ params }: Route.ClientLoaderArgs) {
  return { draft: await readDraft(BalanceDraft, params.rigId, DRAFT) };
}

export const clientAction = rigAction({
  codec: BalanceSent,
  form: DRAFT,
  what: "These gauges",
  entries: ({ linkage, allowedPa, speed, beforePa, afterPa, simulated }, { rig: { build } }) => {
    const count = carburettorCount(build);
    if (afterPa.length !== count || beforePa.length !== count)
      return { message: `This rig has ${count} carburettors; read as many gauges.` };
    const linked = withLinkage(build, linkage, allowedPa);
    const why = "How the carburettors are linked";
    return [
      ...(linked ? [{ kind: "build" as const, build: linked, reopens: [], why }] : []),
      { kind: "balance", speed, beforePa, afterPa, ...(simulated && { simulated: true }) },
    ];
  },
  then: (rigId) => placeHref(rigId, "cylinders"),
});

export default function BalanceRoute({ loaderData }: Route.ComponentProps) {
  const { build, header } = useRig();
  const count = carburettorCount(build);
  return (
    <div className="stack">
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
