import Button from "@mui/material/Button";
import { useMemo, useState } from "react";
import { humidAir } from "#core/air/humid-air.ts";
import type { DayAnswer } from "#core/day/day-answer.ts";
import { WANTED_PARTS, type WantedPart } from "#core/day/wanted.ts";
import type { HeatsEntry } from "#core/log/schema.ts";
import { fromSI } from "#core/units/quantity.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import { useRig, type RigContext } from "#app/frame/use-rig.ts";
import { localInstant } from "#app/journal/clock.ts";
import { saveFile } from "#app/journal/export.ts";
import { printOnly } from "#app/ui/print.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { LazyChart } from "#app/ui/LazyChart.tsx";
import { Working } from "#app/ui/Working.tsx";
import { dayTitle } from "#app/vocabulary/days.ts";
import { PART_NAMES } from "#app/vocabulary/parts.ts";
import { dayOption } from "./chart.ts";
import { ForecastPanel } from "./ForecastPanel.tsx";
import { placeHref } from "#app/frame/places.ts";
import { rigAction } from "#app/journal/rig-action.ts";
import { heatsForm, type DayTexts } from "./form.ts";
import { HeatList } from "./HeatList.tsx";
import { HeatsForm } from "./HeatsForm.tsx";
import { heatsCalendar } from "./ics.ts";
import { useNow } from "#app/ui/use-now.ts";
import { sourceWords, totalsWords } from "./words.ts";
import { shortest } from "#app/vocabulary/numerals.ts";

export const clientAction = rigAction({
  codec: ({ preferences }) => heatsForm(preferences.length),
  form: "heats",
  entries: (heats) => [{ kind: "heats", ...heats }],
  then: (rigId) => placeHref(rigId, "day"),
});

/** Where and when, as it was said last. */
function textsOf({ present, preferences }: RigContext): DayTexts {
  const { heats } = present.ahead;
  const { air } = present;
  const elevationM = heats?.elevationM ?? air?.elevationM ?? 0;
  const today = localInstant().slice(0, 10);
  return {
    day:
      heats && (heats.heats[0]?.at.slice(0, 10) ?? "") >= today
        ? (heats.heats[0]?.at.slice(0, 10) ?? today)
        : today,
    place: heats?.place ?? air?.place ?? "",
    elevation: shortest(fromSI("length", elevationM, preferences.length), 1),
    heats: (heats?.heats ?? []).map(({ name, at, minutes }) => ({
      name,
      time: at.slice(11, 16),
      minutes: String(minutes),
    })),
  };
}

function Planned({ answer, heats }: { answer: DayAnswer; heats: HeatsEntry }) {
  const { header, build, preferences } = useRig();
  const [part, setPart] = useState<WantedPart>("main");
  const nowMs = useNow();
  const { plan, moments, source, unexplained } = answer;
  const option = useMemo(
    () => dayOption({ plan, moments, part, baseKgM3: humidAir(build.baseline.air).dryDensityKgM3 }),
    [plan, moments, part, build],
  );
  const toCalendar = async () => {
    const text = await heatsCalendar({
      plan,
      rig: `${header.plate} · ${header.name}`,
      place: heats.place,
      id: heats.id.replace(":", "-"),
      madeAt: new Date(),
    });
    saveFile({
      name: `tamis-heats-${heats.heats[0]?.at.slice(0, 10) ?? ""}.ics`,
      blob: new Blob([text], { type: "text/calendar" }),
    });
  };
  return (
    <>
      <p className="flush" role="status">
        {totalsWords(plan)} {sourceWords(source, preferences)}
      </p>
      <HeatList plan={plan} unexplained={unexplained} nowMs={nowMs} />
      <div className="row no-print">
        <Button variant="outlined" onClick={() => void toCalendar()}>
          To the calendar
        </Button>
        <span className="quiet">
          An ICS file: each heat with its card, and half an hour’s warning of a change.
        </span>
        <Button variant="outlined" onClick={() => printOnly("log")}>
          Print
        </Button>
      </div>
      <section className="stack no-print" aria-label="The day drawn">
        <Choice
          label="The air, and the right setting of"
          value={part}
          options={WANTED_PARTS.map((value) => ({ value, text: PART_NAMES[value] }))}
          onChange={setPart}
        />
        <LazyChart option={option} height={340} />
      </section>
    </>
  );
}

export default function DayRoute() {
  const context = useRig();
  const { present } = context;
  const { heats } = present.ahead;
  // Which list is being put right: a saved one is another.
  const [editing, setEditing] = useState<string>();
  const { value: answer, problem } = useJudge(heats && { ask: "day" });
  const texts = textsOf(context);
  const first = heats?.heats[0]?.at;
  const open = !heats || editing === heats.id;
  return (
    <div className="stack wide">
      <div>
        <h1>{first === undefined ? "The day" : dayTitle(first)}</h1>
        <p className="lead quiet">
          A card for each heat, with as little spanner work as possible. A change is planned only when you
          would notice it.
        </p>
      </div>
      <p className="print-only">
        <strong>
          {context.header.plate} · {context.header.name}
        </strong>
        {heats && heats.place !== "" && ` · ${heats.place}`}
      </p>
      {problem !== undefined && <Caution grave>The day could not be planned: {problem}</Caution>}
      {heats && !answer && problem === undefined && <Working words="Planning the day…" />}
      {heats && answer && <Planned answer={answer} heats={heats} />}
      <section className="stack no-print" aria-label="Heats">
        <h2 className="label">Heats</h2>
        {open ? (
          <HeatsForm key={heats?.id ?? "new"} texts={texts} onDone={heats && (() => setEditing(undefined))} />
        ) : (
          <Button variant="outlined" className="start" onClick={() => setEditing(heats.id)}>
            Other heats
          </Button>
        )}
      </section>
      <section className="stack no-print" aria-label="Forecast">
        <h2 className="label">Forecast</h2>
        <ForecastPanel
          // Once it is kept the panel begins anew; refused it stays as it is.
          key={present.ahead.forecasts.at(-1)?.id ?? "none"}
          place={texts.place}
          elevationM={heats?.elevationM ?? present.air?.elevationM ?? 0}
          day={texts.day}
        />
      </section>
    </div>
  );
}
