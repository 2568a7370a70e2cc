/** The sections of the rig editor, in the order one takes a machine apart. */
import { unitsOf } from "./texts.ts";
import clsx from "clsx";
import css from "../rig.module.css";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Close from "@mui/icons-material/Close";
import type { ReactNode } from "react";
import { useFieldArray, useFormContext, useWatch } from "react-hook-form";
import { ZONES } from "#core/carburettor/zones.ts";
import { PARTS } from "#core/log/parts.ts";
import type { BuildTexts } from "./texts.ts";
import { PROVEN } from "#core/log/schema.ts";
import { PART_NAMES, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { PROVEN_WORDS } from "#app/vocabulary/proven.ts";
import { FormPick } from "#app/ui/form-fields.tsx";
import { FuelFields } from "./FuelFields.tsx";
import { PasteNeedle } from "./PasteNeedle.tsx";
import type { NeedlePoint } from "#core/rig/needle-table.ts";
import { Measure, Section, useAssumed, type CarburettorAt, type SettingAt } from "./fields.tsx";

const useBuild = () => useFormContext<BuildTexts>();

export function MachineSection() {
  const cylinders = useWatch({ control: useBuild().control, name: "engine.cylinders" });
  return (
    <Section title="Machine" holds={["engine."]}>
      <FormPick<BuildTexts>
        name="machine"
        label="Kind"
        options={[
          ["motorcycle", "Motorcycle"],
          ["atv", "ATV"],
          ["kart", "Kart"],
        ]}
      />
      <FormPick<BuildTexts>
        name="engine.strokes"
        label="Strokes"
        options={[
          ["2", "Two-stroke"],
          ["4", "Four-stroke"],
        ]}
      />
      <FormPick<BuildTexts>
        name="engine.cooling"
        label="Cooling"
        options={[
          ["liquid", "Liquid"],
          ["air", "Air"],
        ]}
      />
      <Measure name="engine.displacementCm3" label="Displacement of one cylinder" unit="cm³" />
      <Measure name="engine.cylinders" label="Cylinders" />
      {Number(cylinders) > 1 && (
        <FormPick<BuildTexts>
          name="firesEvenly"
          label="They fire"
          options={[
            ["yes", "At even distances"],
            ["no", "Unevenly, or together"],
          ]}
        />
      )}
      <Measure name="engine.idleRpm" label="Idle" unit="rpm" />
      <Measure name="engine.peakRpm" label="Peak power" unit="rpm" />
      <Measure
        name="engine.revLimitRpm"
        label="Rev limit"
        unit="rpm"
        hint="Of stock rods and flywheel; empty if unknown."
      />
      <FuelFields />
    </Section>
  );
}

export function CarburettorSection({ at = "carburettor" }: { at?: CarburettorAt }) {
  const { control } = useBuild();
  const [slide, drilled] = useWatch({
    control,
    name: [`${at}.slide.kind`, `${at}.emulsionTubeDrilled`],
  });
  return (
    <Section
      title="Carburettor"
      holds={[
        "carburettor.bore",
        "carburettor.slide",
        "carburettor.fuelDrop",
        "carburettor.mainAir",
        "carburettor.pilotAir",
      ]}
      note="Which screw? Look where the screw is. On the engine’s side it meters fuel: out is richer. On the filter’s side it meters air: out is leaner."
    >
      <Measure
        name={`${at}.stamp`}
        label="Number stamped on the body"
        hint="Finds its base sheet again."
        wordy
      />
      <Measure name={`${at}.boreMm`} label="Throttle bore" unit="mm" />
      <FormPick<BuildTexts>
        name={`${at}.slide.kind`}
        label="Slide"
        options={[
          ["manual", "By cable"],
          ["vacuum", "By vacuum"],
        ]}
      />
      {slide === "manual" ? (
        <>
          <Measure name={`${at}.slide.idleLiftMm`} label="Lift at idle" unit="mm" />
          <Measure name={`${at}.slide.cutawayMm`} label="Cutaway" unit="mm" />
        </>
      ) : (
        <>
          <Measure name={`${at}.slide.restLiftMm`} label="Lift at rest" unit="mm" />
          <Measure name={`${at}.slide.depressionPa`} label="Slide depression" unit="Pa" />
        </>
      )}
      <FormPick<BuildTexts>
        name={`${at}.screw`}
        label="Mixture screw"
        options={[
          ["air", "Air, filter side"],
          ["fuel", "Fuel, engine side"],
        ]}
      />
      <Measure name={`${at}.fuelDropMm`} label="Nozzle above fuel" unit="mm" />
      <FormPick<BuildTexts>
        name={`${at}.emulsionTubeDrilled`}
        label="Emulsion tube"
        options={[
          ["no", "Undrilled"],
          ["yes", "Drilled"],
        ]}
      />
      <Measure
        name={`${at}.mainAirJetMm`}
        label="Main air jet"
        unit="mm"
        hint={drilled === "no" ? "Dead behind an undrilled tube." : "Empty if there is none."}
      />
      <Measure name={`${at}.pilotAirJetMm`} label="Pilot air jet" unit="mm" hint="Empty if there is none." />
      <Measure
        name={`${at}.pumpBaseTurns`}
        label="Accelerator pump, base"
        unit="turns"
        hint="Empty if there is none."
      />
      <Measure
        name={`${at}.slideSpringMm`}
        label="Slide spring, free"
        unit="mm"
        hint="Length when new, if known."
      />
    </Section>
  );
}

export const NEEDLE = "Needle and jet";

export function NeedleSection({
  at = "carburettor",
  drawing,
}: {
  at?: CarburettorAt;
  /** the needle as the fields have it */
  drawing?: ReactNode;
}) {
  const { control } = useBuild();
  const { fields, append, remove, replace } = useFieldArray({ control, name: `${at}.needle.profile` });
  const { confirm } = useAssumed();
  const take = (profile: readonly NeedlePoint[]) => {
    replace(
      profile.map(({ alongMm, diameterMm }) => ({ alongMm: `${alongMm}`, diameterMm: `${diameterMm}` })),
    );
    // What is assumed is told of the first carburettor alone.
    if (at === "carburettor") confirm(["carburettor.needle.profile"]);
  };
  return (
    <Section
      title={NEEDLE}
      holds={["carburettor.needle"]}
      note="Thickness with a micrometer every few millimetres, from the groove’s end towards the tip."
    >
      <Measure name={`${at}.needleJetMm`} label="Needle jet" unit="mm" />
      <Measure name={`${at}.needle.grooves`} label="Grooves" />
      <Measure name={`${at}.needle.groovePitchMm`} label="Groove to groove" unit="mm" />
      <Measure name={`${at}.needle.referenceClip`} label="Measured in groove" />
      <div className={clsx(css["whole"], "stack")}>
        {fields.map((field, i) => (
          <div key={field.id} className={css["profile-row"]}>
            <Measure name={`${at}.needle.profile.${i}.alongMm`} label={`Point ${i + 1}, along`} unit="mm" />
            <Measure name={`${at}.needle.profile.${i}.diameterMm`} label="Thickness" unit="mm" />
            <IconButton
              aria-label={`Remove point ${i + 1}`}
              disabled={fields.length <= 2}
              onClick={() => remove(i)}
              sx={{ width: 52, height: 52 }}
            >
              <Close />
            </IconButton>
          </div>
        ))}
        <Button variant="outlined" className="start" onClick={() => append({ alongMm: "", diameterMm: "" })}>
          Add a point
        </Button>
        <PasteNeedle onNeedle={take} />
      </div>
      <div className={css["whole"]}>{drawing}</div>
    </Section>
  );
}

function Numbering({
  at,
  path,
  label,
}: {
  at: CarburettorAt;
  path: "pilotNumbering" | "mainNumbering";
  label: string;
}) {
  const by = useWatch({ control: useBuild().control, name: `${at}.${path}.by` });
  return (
    <>
      <FormPick<BuildTexts>
        name={`${at}.${path}.by`}
        label={label}
        options={[
          ["diameter", "By diameter, 1/100 mm"],
          ["flow", "By flow"],
        ]}
      />
      {by === "flow" && (
        <>
          <Measure name={`${at}.${path}.referenceNumber`} label="This number" />
          <Measure name={`${at}.${path}.referenceDiameterMm`} label="flows like a hole of" unit="mm" />
        </>
      )}
    </>
  );
}

export function JetsSection({ at = "carburettor" }: { at?: CarburettorAt }) {
  return (
    <Section
      title="How its jets are numbered"
      note="By the diameter of the hole or by its flow. Mixing the two up often hurts an engine."
    >
      <Numbering at={at} path="pilotNumbering" label="Pilot jets are numbered" />
      <Numbering at={at} path="mainNumbering" label="Main jets are numbered" />
    </Section>
  );
}

const SETTING_FIELDS = [
  ["pilot", "Pilot jet", undefined],
  ["screwTurns", "Screw", "turns out"],
  ["clip", "Clip, groove from the top", undefined],
  ["main", "Main jet", undefined],
  ["shimMm", "Shims", "mm"],
] as const;

function SettingFields({ at }: { at: SettingAt }) {
  return SETTING_FIELDS.map(([part, label, unit]) => (
    <Measure key={part} name={`${at}.${part}`} label={label} {...(unit !== undefined && { unit })} />
  ));
}

/** What was right on another carburettor; the air of that day stands with the first. */
export function OtherSettingSection({ at }: { at: SettingAt }) {
  return (
    <Section title="What was right on this one">
      <SettingFields at={at} />
    </Section>
  );
}

export function BaselineSection() {
  const units = unitsOf({ units: useWatch({ control: useBuild().control, name: "units" }) });
  return (
    <Section
      title="What was right, and when"
      holds={["baseline."]}
      note="The setting that ran well, or the maker’s, and the air of that day: everything is compared with it."
    >
      <FormPick<BuildTexts>
        name="baseline.proven"
        label="How it is known to be right"
        options={PROVEN.map((value) => [value, PROVEN_WORDS[value].name] as const)}
      />
      <SettingFields at="baseline.setting" />
      <Measure name="baseline.air.temperatureK" label="Temperature then" unit={units.temperature} />
      <Measure name="baseline.air.pressurePa" label="Station pressure then" unit={units.pressure} />
      <Measure name="baseline.air.relativeHumidity" label="Humidity then" unit="%" />
    </Section>
  );
}

export function RidingSection() {
  const kind = useWatch({ control: useBuild().control, name: "screwWindow.kind" });
  return (
    <Section
      title="How it is ridden and what is wanted"
      note="The share of time in each zone, on any scale. The λ you want there. And how far the screw may go before the pilot jet is wrong."
    >
      {ZONES.map((zone) => (
        <Measure key={zone} name={`usage.${zone}`} label={`${ZONE_NAMES[zone]}, share`} />
      ))}
      {ZONES.map((zone) => (
        <Measure key={zone} name={`targetLambda.${zone}`} label={`${ZONE_NAMES[zone]}, λ`} />
      ))}
      <FormPick<BuildTexts>
        name="screwWindow.kind"
        label="Screw window"
        options={[
          ["aroundBase", "Either side of the base"],
          ["fixed", "Fixed"],
        ]}
      />
      {kind === "aroundBase" ? (
        <Measure name="screwWindow.turns" label="Either side" unit="turns" />
      ) : (
        <>
          <Measure name="screwWindow.from" label="From" unit="turns" />
          <Measure name="screwWindow.to" label="To" unit="turns" />
        </>
      )}
    </Section>
  );
}

export function PlugSection() {
  return (
    <Section title="Plug, pipe and filter" note="As they will be run. Leave empty what you do not know.">
      <Measure name="plug.thread" label="Plug thread" wordy />
      <Measure name="plug.heatRange" label="Heat range, as stamped" />
      <FormPick<BuildTexts>
        name="plug.higherIs"
        label="A higher number is"
        options={[
          ["colder", "Colder"],
          ["hotter", "Hotter"],
        ]}
      />
      <Measure name="plug.gapMm" label="Gap" unit="mm" />
      <Measure name="breathing.pipe" label="Pipe" wordy />
      <Measure name="breathing.filter" label="Filter" wordy />
      <FormPick<BuildTexts>
        name="breathing.lid"
        label="Air-box lid"
        options={[
          ["on", "On"],
          ["off", "Off"],
          ["none", "There is none"],
        ]}
      />
    </Section>
  );
}

const YES_NO = [
  ["no", "No"],
  ["yes", "Yes"],
] as const;

/** What the rule book forbids: advice never breaks it, and says when it stands in the way. */
export function RulesSection() {
  const { control, setValue } = useBuild();
  const locked = useWatch({ control, name: "rules.locked" });
  return (
    <Section
      title="Class rules"
      note="What may not be changed in your class. The rule book comes first. Advice keeps to it, and says when a rule prevents a better card."
    >
      <ToggleButtonGroup
        className={css["whole"]}
        fullWidth
        aria-label="Locked by the rules"
        value={locked.split(" ")}
        onChange={(_, parts: string[]) =>
          setValue("rules.locked", PARTS.filter((part) => parts.includes(part)).join(" "))
        }
      >
        {PARTS.map((part) => (
          <ToggleButton key={part} value={part}>
            {PART_NAMES[part]}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <FormPick<BuildTexts>
        name="rules.noWashers"
        label="Washers under the clip forbidden"
        options={YES_NO}
      />
      <FormPick<BuildTexts> name="rules.onePlug" label="One plug for all" options={YES_NO} />
      <Measure name="rules.floatMm.from" label="Float height, from" unit="mm" hint="Empty if free." />
      <Measure name="rules.floatMm.to" label="Float height, to" unit="mm" />
    </Section>
  );
}
