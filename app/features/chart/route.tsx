/** The chart for the van: this engine's own settings over temperature and height, on one sheet. */
import Button from "@mui/material/Button";
import { useMemo, useState } from "react";
import { useForm, useWatch } from "react-hook-form";
import { SIDES } from "#core/chart/grid.ts";
import { usualHumidity } from "#core/chart/usual-humidity.ts";
import { fromSI } from "#core/units/quantity.ts";
import { Picture } from "#app/frame/Picture.tsx";
import { TypedBefore } from "#app/frame/RigFields.tsx";
import { useJudge } from "#app/frame/use-judge.ts";
import { useRig, type RigContext } from "#app/frame/use-rig.ts";
import { useTyped } from "#app/frame/use-typed.ts";
import { localInstant } from "#app/journal/clock.ts";
import { saveFile } from "#app/journal/export.ts";
import { chartCsv } from "#app/store/book-file/chart-csv.ts";
import { fileNameOf } from "#app/store/book-file/names.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { printOnly } from "#app/ui/print.ts";
import { useSayProblem } from "#app/ui/Toast.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Working } from "#app/ui/Working.tsx";
import { handbookHref } from "#app/vocabulary/help.ts";
import { typedText } from "#app/vocabulary/numerals.ts";
import { capital } from "#app/vocabulary/parts.ts";
import { heldWords } from "#app/vocabulary/walk-round.ts";
import css from "./chart.module.css";
import { readChart, type ChartTexts } from "./form.ts";
import { Sheet } from "./Sheet.tsx";
import { useChart } from "./use-chart.ts";
import { GUESS, SIDE_WORDS } from "./words.ts";

/** About where this rig was last. */
function startTexts({ present, preferences }: RigContext): ChartTexts {
  const { air } = present;
  const warmth = (kelvin: number) =>
    String(5 * Math.round(fromSI("temperature", kelvin, preferences.temperature) / 5));
  const height = (metres: number) =>
    String(100 * Math.round(fromSI("length", metres, preferences.length) / 100));
  const here = air?.elevationM ?? 0;
  return {
    side: "height",
    coldest: warmth(Math.min(278.15, air?.temperatureK ?? 278.15)),
    warmest: warmth(Math.max(303.15, air?.temperatureK ?? 303.15)),
    lowest: height(Math.max(0, here - 1000)),
    highest: height(Math.max(1000, here + 600)),
    humidity: String(Math.round(100 * usualHumidity(present))),
  };
}

/** What stands down the side has other ends. */
function endsOf(side: string, { preferences }: RigContext): Pick<ChartTexts, "lowest" | "highest"> {
  const glass = (pascals: number) =>
    typedText(Math.round(10 * fromSI("pressure", pascals, preferences.pressure)) / 10);
  if (side === "pressure") return { lowest: glass(80_000), highest: glass(103_000) };
  if (side === "density") return { lowest: typedText(0.95), highest: typedText(1.3) };
  const height = (metres: number) => String(Math.round(fromSI("length", metres, preferences.length)));
  return { lowest: "0", highest: height(2000) };
}

export default function ChartRoute() {
  const context = useRig();
  const { preferences, header } = context;
  const { held } = context.present;
  const methods = useForm<ChartTexts>({ defaultValues: startTexts(context) });
  const { offer } = useTyped(header.id, "chart", methods);
  const texts = useWatch({ control: methods.control, compute: (all: ChartTexts) => all });
  const read = useMemo(() => readChart(texts, preferences), [texts, preferences]);
  const grid = read.ok ? read.grid : undefined;
  const { value: ground, problem: noGround } = useJudge({ ask: "chartGround" });
  /** why there is none: like the card it is held back on a stop */
  const why = held.length > 0 ? heldWords(held).reason : ground?.guess ? GUESS : undefined;
  const chart = useChart(why === undefined ? grid : undefined, ground);
  const [drawing, setDrawing] = useState(false);
  const [noPicture, setNoPicture] = useState<{ message: string }>();
  useSayProblem(noPicture);
  const problem = noGround ?? chart.problem;
  const whole = chart.cells.length > 0 && chart.drawn.length === chart.cells.length;
  const name = `tamis-chart-${fileNameOf(header.name)}-${localInstant().slice(0, 10)}`;
  const field = (key: Exclude<keyof ChartTexts, "side">, label: string, unit: string) => (
    <TypedField
      label={label}
      value={texts[key]}
      unit={unit}
      keys="decimal"
      onChange={({ target }) => methods.setValue(key, target.value)}
      problem={read.ok ? undefined : read.fields[key]}
    />
  );
  const unit =
    { height: preferences.length, pressure: preferences.pressure, density: "kg/m³" }[texts.side] ?? "";
  const chooseSide = (side: string) => {
    const ends = endsOf(side, context);
    methods.setValue("side", side);
    methods.setValue("lowest", ends.lowest);
    methods.setValue("highest", ends.highest);
  };
  const sheet = grid && ground && <Sheet grid={grid} ground={ground} chart={chart} />;
  return (
    <div className="stack wide">
      <div className="no-print">
        <h1>The chart</h1>
        <p className="lead quiet">
          What to fit on this engine in any air, for the wall of the van. It works with a flat phone.
        </p>
      </div>
      {offer && <TypedBefore offer={offer} />}
      {why !== undefined ? (
        <Caution grave page={handbookHref(held.length > 0 ? "walk-round" : "chart")}>
          {why}
        </Caution>
      ) : (
        <>
          <section className="stack no-print" aria-label="Airs of the chart">
            <Choice
              label="Down the side"
              value={texts.side}
              options={SIDES.map((side) => ({ value: side, text: capital(SIDE_WORDS[side]) }))}
              onChange={chooseSide}
            />
            <div className={css["fields"]}>
              {field("coldest", "Coldest", preferences.temperature)}
              {field("warmest", "Warmest", preferences.temperature)}
              {field("lowest", "Lowest", unit)}
              {field("highest", "Highest", unit)}
              {field("humidity", "Humidity", "%")}
            </div>
          </section>
          {problem !== undefined && <Caution grave>The chart could not be worked out: {problem}</Caution>}
          {grid && !whole && problem === undefined && <Working words="Asking each air…" />}
          {sheet}
          <div className="row no-print">
            <Button variant="outlined" disabled={!whole} onClick={() => printOnly("a4")}>
              Print on A4
            </Button>
            <Button variant="outlined" disabled={!whole} onClick={() => printOnly("a5")}>
              Print on A5
            </Button>
            <Button variant="outlined" disabled={!whole || drawing} onClick={() => setDrawing(true)}>
              {drawing ? "Drawing…" : "Chart as picture"}
            </Button>
            <Button
              variant="outlined"
              disabled={!whole}
              onClick={() =>
                saveFile({
                  name: `${name}.csv`,
                  blob: new Blob([chartCsv(chart.drawn)], { type: "text/csv" }),
                })
              }
            >
              Save as CSV
            </Button>
          </div>
          {drawing && sheet && (
            <Picture
              name={name}
              onDone={(message) => {
                setDrawing(false);
                setNoPicture(message === undefined ? undefined : { message });
              }}
            >
              <div className={css["paper"]}>{sheet}</div>
            </Picture>
          )}
        </>
      )}
    </div>
  );
}
