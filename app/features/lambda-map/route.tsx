import { useMemo } from "react";
import { Link } from "react-router";
import { TONES } from "#core/log/parts.ts";
import { PROBES, ZONES } from "#core/carburettor/zones.ts";
import { NEAR_LINE, type LambdaMap } from "#core/advice/judge/lambda-map.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { placeHref } from "#app/frame/places.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { LazyChart } from "#app/ui/LazyChart.tsx";
import { ToneDot } from "#app/ui/ToneDot.tsx";
import { Working } from "#app/ui/Working.tsx";
import { TONE_MEANINGS, ZONE_NAMES, ZONE_OPENINGS } from "#app/vocabulary/parts.ts";
import { mapOption, placeOf } from "./chart.ts";
import { useRoles } from "./use-roles.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

const HEIGHT = 420;
const SPEEDS_TOLD = 6;

/** The same for who does not see the colours. */
function Figures({ map, mixture }: { map: LambdaMap; mixture: (lambda: number) => string }) {
  const { rpms, throttles, lambdas, far } = map;
  const last = rpms.length - 1;
  const told = Array.from({ length: SPEEDS_TOLD }, (_, i) => Math.round((i / (SPEEDS_TOLD - 1)) * last));
  return (
    <div className="scroll-x">
      <table className="figures">
        <caption className="label">The same in figures; in brackets what is extrapolated</caption>
        <thead>
          <tr>
            <th scope="col">Engine speed</th>
            {ZONES.map((zone) => (
              <th key={zone} scope="col">
                {ZONE_NAMES[zone]}
                <small className="quiet under">{ZONE_OPENINGS[zone]}</small>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {told.map((y) => (
            <tr key={y}>
              <th scope="row">{Math.round((rpms[y] ?? 0) / 100) * 100} rpm</th>
              {ZONES.map((zone) => {
                const field = y * throttles.length + placeOf(throttles, PROBES[zone]);
                const words = mixture(lambdas[field] ?? 1);
                return <td key={zone}>{far[field] ? <span className="quiet">({words})</span> : words}</td>;
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

export default function LambdaMapRoute() {
  const { preferences, build, header } = useRig();
  const { value: map, problem } = useJudge({ ask: "lambdaMap" });
  const roles = useRoles();
  const { stoichiometric } = fuelFromLog(build.fuel);
  const isAfr = preferences.mixture === "afr";
  const option = useMemo(() => {
    if (!map || !roles) return undefined;
    return mapOption(map, roles, (lambda) => words(lambda, isAfr, stoichiometric));
  }, [map, roles, isAfr, stoichiometric]);
  return (
    <div className="stack">
      <div>
        <h1>Map of the mixture</h1>
        <p className="lead quiet">
          Throttle across, engine speed up, in the tones of a plug. It is known along the line that you ride;
          beside it the model goes on. Paler fields are more than {100 * NEAR_LINE} % off that line:
          calculated, not measured.
        </p>
      </div>
      {problem !== undefined && <Caution grave>The map could not be worked out: {problem}</Caution>}
      {!map && problem === undefined && <Working words="Working out the map…" />}
      {map && (
        <>
          <figure className="flush" aria-label="Mixture over throttle and engine speed">
            {option && <LazyChart option={option} height={HEIGHT} heat />}
          </figure>
          <p className="row flush" aria-label="What the tones mean">
            {TONES.map((tone) => (
              <span key={tone} className="row tight">
                <ToneDot tone={tone} /> {tone}, {TONE_MEANINGS[tone]}
              </span>
            ))}
          </p>
          <p className="quiet flush">
            {map.ridden.length > 0 ? (
              `The dots are ${map.ridden.length} places from the newest logger’s file. Each has the tone that its sensor showed.`
            ) : (
              <>
                Where it was ridden is drawn over it once a{" "}
                <Link to={placeHref(header.id, "logger")}>logger’s file</Link> with throttle, engine speed and
                λ is logged.
              </>
            )}
          </p>
          <Figures map={map} mixture={(lambda) => words(lambda, isAfr, stoichiometric)} />
        </>
      )}
    </div>
  );
}

/** No spark lights less: with the throttle wide open far below its speed the nozzle draws next to nothing. */
const LEANEST_THAT_FIRES = 1.6;

function words(lambda: number, isAfr: boolean, stoichiometric: number): string {
  if (lambda > LEANEST_THAT_FIRES) return "draws no fuel";
  return isAfr ? `AFR ${fixed(lambda * stoichiometric, 1)}` : `λ ${fixed(lambda, 2)}`;
}
