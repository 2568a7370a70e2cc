import css from "./route.module.css";
import clsx from "clsx";
import Button from "@mui/material/Button";
import { useMemo } from "react";
import { Link, useActionData, useSearchParams } from "react-router";
import { humidAir } from "#core/air/humid-air.ts";
import { PARTS } from "#core/log/parts.ts";
import type { RouteEntry } from "#core/log/schema.ts";
import type { RouteAnswer } from "#core/route/route-answer.ts";
import { changeHref } from "#app/frame/change-href.ts";
import { MiniStrip } from "#app/frame/strip/Strip.tsx";
import { useJudge } from "#app/frame/use-judge.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { placeHref } from "#app/frame/places.ts";
import { rigAction, type Answer } from "#app/journal/rig-action.ts";
import { AskFirst } from "#app/ui/AskFirst.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { LazyChart } from "#app/ui/LazyChart.tsx";
import { PickField } from "#app/ui/PickField.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { Simulated } from "#app/ui/Simulated.tsx";
import { Working } from "#app/ui/Working.tsx";
import { changesWords } from "#app/vocabulary/changes.ts";
import { PART_NAMES, partValue } from "#app/vocabulary/parts.ts";
import { routeOption } from "./chart.ts";
import { RouteSent } from "./form.ts";
import { ImportRoute } from "./Import.tsx";
import {
  compromiseWords,
  fileAsks,
  farWords,
  heightWords,
  minutesWords,
  stopsWords,
  timePerHeight,
  zonesAt,
} from "./words.ts";
import { LEAN_DESTROYS } from "#app/vocabulary/cautions.ts";

export const clientAction = rigAction({
  codec: RouteSent,
  form: "route",
  what: "This way",
  entries: ({ simulated, ...way }) => [{ kind: "route", ...way, ...(simulated && { simulated }) }],
  then: (rigId) => placeHref(rigId, "route"),
});

function OneSetting({ answer: { plan, unexplained } }: { answer: RouteAnswer }) {
  const context = useRig();
  const { setting, changes } = plan;
  return (
    <section className="stack tight" aria-label="One setting for all of it">
      <h2 className="label">One setting for all of it</h2>
      <dl className={css["card"]}>
        {PARTS.filter((part) => part !== "shimMm" || setting.shimMm !== 0).map((part) => (
          <div key={part} className={clsx(changes.some((one) => one.part === part) && css["changed"])}>
            <dt>{PART_NAMES[part]}</dt>
            <dd>{partValue(part, setting[part])}</dd>
          </div>
        ))}
      </dl>
      <p className="flush" role="status">
        {compromiseWords(plan)}
      </p>
      {changes.length > 0 && (
        <AskFirst asks={unexplained && fileAsks(unexplained, context.preferences)}>
          <Button component={Link} to={changeHref(context, setting)} variant="contained" className="start">
            Fit it
          </Button>
        </AskFirst>
      )}
    </section>
  );
}

const NAMES = ["Bottom", "Middle", "Top of the climb"] as const;

function AtHeights({ answer: { plan } }: { answer: RouteAnswer }) {
  const { preferences } = useRig();
  return (
    <section className="stack tight" aria-label="With that setting">
      <h2 className="label">With that setting, from the bottom up</h2>
      <ol className={css["heights"]}>
        {plan.heights.map((height, i) => (
          <li key={NAMES[i]}>
            <div>
              <span className="quiet">{NAMES[i]}</span>
              <br />
              <strong>{heightWords(height.elevationM, preferences)}</strong>
            </div>
            <div>
              <MiniStrip
                advice={height}
                label={`Mixture along the throttle at ${heightWords(height.elevationM, preferences)}`}
              />
              <p className="quiet close">{zonesAt(height)}</p>
            </div>
          </li>
        ))}
      </ol>
    </section>
  );
}

function Along({ answer, route }: { answer: RouteAnswer; route: RouteEntry }) {
  const { build, preferences } = useRig();
  const option = useMemo(
    () => routeOption(answer, humidAir(build.baseline.air).dryDensityKgM3, preferences),
    [answer, build, preferences],
  );
  const { plan, source } = answer;
  const last = route.points.at(-1);
  const onTheWay = plan.stops.filter(({ alongM }) => alongM > 0);
  return (
    <>
      <p className="flush quiet">
        {farWords(last?.alongM ?? 0, preferences)}, {minutesWords(last?.seconds ?? 0)} from{" "}
        {route.startAt.slice(11, 16)}.{" "}
        {source.kind === "forecast"
          ? `Air by the forecast${source.place ? ` for ${source.place}` : ""}, brought to each height.`
          : "Air as it was read last, brought to each height: cooler and thinner upwards."}{" "}
        {route.simulated && <Simulated />}
      </p>
      <LazyChart option={option} height={320} />
      <OneSetting answer={answer} />
      <AtHeights answer={answer} />
      <section className="stack tight" aria-label="Stops">
        <h2 className="label">Where to stop and change</h2>
        <p className="flush">{stopsWords(plan)}</p>
        {plan.stops.length > 0 && onTheWay.length > 0 && (
          <ol className={css["heights"]}>
            {plan.stops.map(({ alongM, elevationM, changes }) => (
              <li key={alongM}>
                <div>
                  <span className="quiet">
                    {alongM === 0 ? "At the start" : farWords(alongM, preferences)}
                  </span>
                  <br />
                  <strong>{heightWords(elevationM, preferences)}</strong>
                </div>
                <p className="flush">{changesWords(changes)}</p>
              </li>
            ))}
          </ol>
        )}
      </section>
      <section className="stack tight" aria-label="Time per height">
        <h2 className="label">Time at each height</h2>
        <table className="figures">
          <tbody>
            {timePerHeight(plan.stretches).map(({ fromM, toM, seconds }) => (
              <tr key={fromM}>
                <th scope="row">
                  {heightWords(fromM, preferences)} to {heightWords(toM, preferences)}
                </th>
                <td>{minutesWords(seconds)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <Caution>
        {LEAN_DESTROYS}. The bottom of a climb is its leanest place: come to it from the rich side. Stop clear
        of the road, engine cold enough to touch, and never open a carburettor over a hot pipe.
      </Caution>
    </>
  );
}

export default function RouteRoute() {
  const { present } = useRig();
  const answered = useActionData<Answer>();
  const [query, setQuery] = useSearchParams();
  const { routes } = present.ahead;
  const route = routes.find(({ id }) => id === query.get("way")) ?? routes.at(-1);
  const { value: answer, problem, working } = useJudge(route && { ask: "route", routeId: route.id });
  return (
    <div className="stack wide">
      <div>
        <h1>{route?.name ?? "A way over heights"}</h1>
        <p className="lead quiet">
          One setting for the whole climb, by the time at each height and by where lean hurts. And where to
          stop if one is not enough.
        </p>
      </div>
      {routes.length > 1 && (
        <PickField
          label="Way"
          value={route?.id ?? ""}
          options={routes.map(({ id, name, at }) => [id, `${name}, ${at.slice(0, 10)}`])}
          onChange={({ target }) => setQuery({ way: target.value }, { replace: true })}
        />
      )}
      {problem !== undefined && <Caution grave>The way could not be worked out: {problem}</Caution>}
      {route && !answer && problem === undefined && <Working words="Riding up…" />}
      {route && answer && !working && <Along answer={answer} route={route} />}
      <section className="stack" aria-label="Another way">
        <h2 className="label">{route ? "Another way" : "A way"}</h2>
        <ImportRoute key={routes.at(-1)?.id ?? "none"} />
        <Problem message={answered?.message} />
      </section>
    </div>
  );
}
