import css from "./pack.module.css";
import Button from "@mui/material/Button";
import { useMemo } from "react";
import { useForm, useWatch } from "react-hook-form";
import { fromSI } from "#core/units/quantity.ts";
import { TypedBefore } from "#app/frame/RigFields.tsx";
import { useTyped } from "#app/frame/use-typed.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import { useRig, type RigContext } from "#app/frame/use-rig.ts";
import { localInstant } from "#app/journal/clock.ts";
import { printOnly } from "#app/ui/print.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Working } from "#app/ui/Working.tsx";
import { readPack, type PackTexts } from "./form.ts";
import { List } from "./List.tsx";
import { PackFor } from "./PackFor.tsx";
import { buyWords, needleWords, packedFor } from "./words.ts";

/** The next days where this rig was last, a range about them, this month. */
function startTexts({ present, preferences }: RigContext): PackTexts {
  const { air, ahead } = present;
  const elevationM = ahead.heats?.elevationM ?? ahead.forecasts.at(-1)?.elevationM ?? air?.elevationM ?? 0;
  const today = localInstant().slice(0, 10);
  const planned = ahead.heats?.heats[0]?.at ?? ahead.routes.at(-1)?.startAt;
  const first = planned?.slice(0, 10) ?? today;
  const height = String(Math.round(fromSI("length", elevationM, preferences.length)));
  const warmth = (kelvin: number) =>
    String(Math.round(fromSI("temperature", kelvin, preferences.temperature)));
  return {
    kind: ahead.forecasts.length > 0 || ahead.heats ? "event" : "range",
    from: first > today ? first : today,
    to: first > today ? first : today,
    place: ahead.heats?.place ?? air?.place ?? "",
    elevation: height,
    month: String(Number(today.slice(5, 7))),
    low: warmth((air?.temperatureK ?? 290) - 8),
    high: warmth((air?.temperatureK ?? 290) + 8),
    humidity: "60",
    lowest: height,
    highest: height,
  };
}

export default function PackRoute() {
  const context = useRig();
  const { preferences, header } = context;
  const methods = useForm<PackTexts>({ defaultValues: startTexts(context) });
  const { offer } = useTyped(header.id, "pack", methods);
  const texts = useWatch({ control: methods.control, compute: (all: PackTexts) => all });
  const setTexts = (next: PackTexts) => {
    for (const name of Object.keys(next) as (keyof PackTexts)[])
      if (next[name] !== texts[name]) methods.setValue(name, next[name]);
  };
  const read = useMemo(() => readPack(texts, preferences), [texts, preferences]);
  const asked = read.ok ? read.asked : undefined;
  const { value: list, working, problem } = useJudge(asked && { ask: "pack", asked });
  const needle = list && needleWords(list);
  return (
    <div className="stack wide">
      <div>
        <h1>Pack</h1>
        <p className="lead quiet no-print">
          What you may need, given the weather that may come and what we do not know yet about this engine.
          Each figure is the chance that you need it.
        </p>
        <p className="print-only">
          <strong>
            {header.plate} · {header.name}
          </strong>
          {asked && ` · ${packedFor(asked, preferences)}`}
        </p>
      </div>
      {offer && <TypedBefore offer={offer} />}
      <PackFor texts={texts} read={read} onTexts={setTexts} />
      {problem !== undefined && <Caution grave>The list could not be worked out: {problem}</Caution>}
      {asked && !list && problem === undefined && <Working words="Drawing airs and engines…" />}
      {list && (
        <div className="stack wide" aria-busy={working}>
          <List list={list} />
          {needle !== undefined && <Caution plain>{needle}</Caution>}
          <section className="stack tight" aria-label="To buy first">
            <h2 className="label">To buy first</h2>
            {list.buy.length === 0 ? (
              <p className="flush">Nothing. Your box does as well as everything in a shop.</p>
            ) : (
              <ol className={css["buy"]}>
                {list.buy.map((one) => (
                  <li key={`${one.part} ${one.number}`}>{buyWords(one)}</li>
                ))}
              </ol>
            )}
          </section>
          <p className="quiet flush">
            {list.draws} draws of air and engine, always the same ones. Grey ones can stay at home.
          </p>
          <Button variant="outlined" className="start no-print" onClick={() => printOnly("log")}>
            Print this list
          </Button>
        </div>
      )}
    </div>
  );
}
