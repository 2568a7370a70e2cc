import { useEffect, useState } from "react";
import { useFieldArray, useFormContext, useWatch } from "react-hook-form";
import type { Build } from "#core/log/schema.ts";
import { buildOfCarburettor, carburettorCount } from "#core/rig/carburettors.ts";
import { BuildForm } from "./form.ts";
import type { BuildTexts } from "./texts.ts";
import { NeedleDrawing } from "#app/frame/needle/NeedleDrawing.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { useFolded } from "./folded.ts";
import { Measure, Section, type CarburettorAt } from "./fields.tsx";
import { GrooveWorths } from "./GrooveWorths.tsx";
import { CarburettorSection, JetsSection, NEEDLE, NeedleSection, OtherSettingSection } from "./sections.tsx";

/** Follows the fields; while something is half typed it keeps the last needle that could be. */
function LiveNeedle({ start, index }: { start: Build; index: number }) {
  const texts = useWatch({ control: useFormContext<BuildTexts>().control });
  const parsed = BuildForm.safeParse(texts);
  const [last, setLast] = useState(start);
  const now = parsed.success ? parsed.data : last;
  if (parsed.success && JSON.stringify(parsed.data) !== JSON.stringify(last)) setLast(parsed.data);
  return <NeedleDrawing build={buildOfCarburettor(now, Math.min(index, carburettorCount(now) - 1))} />;
}

const MOST = 6;
const countOf = (text: string): number => Math.min(MOST, Math.max(1, Math.floor(Number(text)) || 1));

/** One carburettor, or several alike, or each its own: then one at a time is on the bench. */
export function CarburettorsEditor({ start }: { start: Build }) {
  const { control, setValue, getValues } = useFormContext<BuildTexts>();
  const [countText, alike] = useWatch({ control, name: ["carburettors", "alike"] });
  const { fields, append } = useFieldArray({ control, name: "others" });
  const [onBench, setOnBench] = useState(0);
  const { isOpen } = useFolded();
  const count = countOf(countText);
  const own = alike === "no" && count > 1;
  const index = own ? Math.min(onBench, count - 1) : 0;
  const at: CarburettorAt = index === 0 ? "carburettor" : `others.${index - 1}.carburettor`;
  useEffect(() => {
    if (!own) return;
    // Each starts as a copy of the first: what differs is typed over.
    for (let i = fields.length; i < count - 1; i += 1) {
      const { carburettor, baseline } = structuredClone(getValues());
      append({ carburettor, setting: baseline.setting });
    }
  }, [own, count, fields.length, append, getValues]);
  return (
    <>
      <Section title="How many carburettors">
        <Measure name="carburettors" label="Carburettors" hint="One to six." />
        {count > 1 && (
          <Choice
            label="They are"
            value={alike === "no" ? "no" : "yes"}
            options={[
              { value: "yes", text: "All alike" },
              { value: "no", text: "Each its own" },
            ]}
            onChange={(value) => setValue("alike", value)}
          />
        )}
      </Section>
      {own && (
        <Choice
          label="On the bench"
          value={String(index)}
          options={Array.from({ length: count }, (_, i) => ({ value: String(i), text: `No. ${i + 1}` }))}
          onChange={(value) => setOnBench(Number(value))}
        />
      )}
      <CarburettorSection key={`body ${at}`} at={at} />
      <NeedleSection
        key={`needle ${at}`}
        at={at}
        drawing={
          <>
            <LiveNeedle start={start} index={index} />
            {isOpen(NEEDLE) && <GrooveWorths />}
          </>
        }
      />
      <JetsSection key={`jets ${at}`} at={at} />
      {index > 0 && <OtherSettingSection key={`right ${at}`} at={`others.${index - 1}.setting`} />}
    </>
  );
}
