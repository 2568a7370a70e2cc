/** The sections of the rig editor, in the order one takes a machine apart. */
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Close from "@mui/icons-material/Close";
import { useFieldArray, useFormContext, useWatch } from "react-hook-form";
import { ZONES } from "#core/carburettor/zones.ts";
import { PARTS } from "#core/log/parts.ts";
import type { BuildTexts } from "#app/forms/build-form.ts";
import { PART_NAMES, ZONE_NAMES } from "#app/words/parts.ts";
import { NumberText, PickText, Section } from "./fields.tsx";

const useBuild = () => useFormContext<BuildTexts>();

export function MachineSection() {
  const fuel = useWatch({ control: useBuild().control, name: "fuel.name" });
  return (
    <Section title="Machine">
      <PickText
        name="machine"
        label="Kind"
        options={[
          ["motorcycle", "Motorcycle"],
          ["atv", "ATV"],
          ["kart", "Kart"],
        ]}
      />
      <PickText
        name="engine.strokes"
        label="Strokes"
        options={[
          ["2", "Two-stroke"],
          ["4", "Four-stroke"],
        ]}
      />
      <PickText
        name="engine.cooling"
        label="Cooling"
        options={[
          ["liquid", "Liquid"],
          ["air", "Air"],
        ]}
      />
      <NumberText name="engine.displacementCm3" label="Displacement of one cylinder" unit="cm³" />
      <NumberText name="engine.cylinders" label="Cylinders" />
      <NumberText name="engine.idleRpm" label="Idle" unit="rpm" />
      <NumberText name="engine.peakRpm" label="Peak power" unit="rpm" />
      <PickText
        name="fuel.name"
        label="Fuel"
        options={[
          ["petrol", "Petrol"],
          ["petrol-e10", "Petrol, 10 % ethanol"],
          ["e85", "E85"],
          ["methanol", "Methanol"],
          ["other", "Other, by its data sheet"],
        ]}
      />
      {fuel === "other" && (
        <>
          <NumberText name="fuel.density15KgM3" label="Density at 15 °C" unit="kg/m³" />
          <NumberText name="fuel.expansionPerK" label="Expansion" unit="1/K" />
          <NumberText name="fuel.stoichiometric" label="Air-fuel ratio at λ 1" />
        </>
      )}
    </Section>
  );
}

export function CarburettorSection() {
  const { control } = useBuild();
  const [slide, drilled] = useWatch({
    control,
    name: ["carburettor.slide.kind", "carburettor.emulsionTubeDrilled"],
  });
  return (
    <Section
      title="Carburettor"
      note="Which screw? Draw a line across the middle: a screw on the engine’s side meters fuel (out is richer), one on the filter’s side meters air (out is leaner)."
    >
      <NumberText name="carburettor.boreMm" label="Throttle bore" unit="mm" />
      <PickText
        name="carburettor.slide.kind"
        label="Slide"
        options={[
          ["manual", "By cable"],
          ["vacuum", "By vacuum"],
        ]}
      />
      {slide === "manual" ? (
        <>
          <NumberText name="carburettor.slide.idleLiftMm" label="Lift at idle" unit="mm" />
          <NumberText name="carburettor.slide.cutawayMm" label="Cutaway" unit="mm" />
        </>
      ) : (
        <>
          <NumberText name="carburettor.slide.restLiftMm" label="Lift at rest" unit="mm" />
          <NumberText name="carburettor.slide.depressionPa" label="Slide depression" unit="Pa" />
        </>
      )}
      <PickText
        name="carburettor.screw"
        label="Mixture screw"
        options={[
          ["air", "Air, filter side"],
          ["fuel", "Fuel, engine side"],
        ]}
      />
      <NumberText name="carburettor.fuelDropMm" label="Nozzle above fuel" unit="mm" />
      <PickText
        name="carburettor.emulsionTubeDrilled"
        label="Emulsion tube"
        options={[
          ["no", "Undrilled"],
          ["yes", "Drilled"],
        ]}
      />
      <NumberText
        name="carburettor.mainAirJetMm"
        label="Main air jet"
        unit="mm"
        hint={drilled === "no" ? "Dead behind an undrilled tube." : "Empty if there is none."}
      />
      <NumberText
        name="carburettor.pilotAirJetMm"
        label="Pilot air jet"
        unit="mm"
        hint="Empty if there is none."
      />
    </Section>
  );
}

export function NeedleSection() {
  const { control } = useBuild();
  const { fields, append, remove } = useFieldArray({ control, name: "carburettor.needle.profile" });
  return (
    <Section
      title="Needle and jet"
      note="Thickness with a micrometer every few millimetres, from the groove’s end towards the tip."
    >
      <NumberText name="carburettor.needleJetMm" label="Needle jet" unit="mm" />
      <NumberText name="carburettor.needle.grooves" label="Grooves" />
      <NumberText name="carburettor.needle.groovePitchMm" label="Groove to groove" unit="mm" />
      <NumberText name="carburettor.needle.referenceClip" label="Measured in groove" />
      <div className="whole stack">
        {fields.map((field, i) => (
          <div key={field.id} className="profile-row">
            <NumberText
              name={`carburettor.needle.profile.${i}.alongMm`}
              label={`Point ${i + 1}, along`}
              unit="mm"
            />
            <NumberText name={`carburettor.needle.profile.${i}.diameterMm`} label="Thickness" unit="mm" />
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
        <Button
          variant="outlined"
          sx={{ justifySelf: "start" }}
          onClick={() => append({ alongMm: "", diameterMm: "" })}
        >
          Add a point
        </Button>
      </div>
    </Section>
  );
}

function Numbering({ path, label }: { path: "pilotNumbering" | "mainNumbering"; label: string }) {
  const by = useWatch({ control: useBuild().control, name: `carburettor.${path}.by` });
  return (
    <>
      <PickText
        name={`carburettor.${path}.by`}
        label={label}
        options={[
          ["diameter", "By diameter, 1/100 mm"],
          ["flow", "By flow"],
        ]}
      />
      {by === "flow" && (
        <>
          <NumberText name={`carburettor.${path}.referenceNumber`} label="This number" />
          <NumberText
            name={`carburettor.${path}.referenceDiameterMm`}
            label="flows like a hole of"
            unit="mm"
          />
        </>
      )}
    </>
  );
}

export function BoxSection() {
  return (
    <Section title="Jets and box" note="Sizes one by one, or a range in one go: 150 to 175 by 2.5.">
      <Numbering path="pilotNumbering" label="Pilot jets are numbered" />
      <Numbering path="mainNumbering" label="Main jets are numbered" />
      <div className="whole stack">
        <NumberText name="box.pilots" label="Pilot jets in the box" />
        <NumberText name="box.mains" label="Main jets in the box" />
        <NumberText
          name="box.shimsMm"
          label="Heights of shims under the clip, mm"
          hint="Empty if there are none, or the class forbids them."
        />
      </div>
    </Section>
  );
}

export function BaselineSection() {
  return (
    <Section
      title="What was right, and when"
      note="The setting that ran well, or the maker’s, and the air of that day: everything is compared with it."
    >
      <NumberText name="baseline.setting.pilot" label="Pilot jet" />
      <NumberText name="baseline.setting.screwTurns" label="Screw" unit="turns out" />
      <NumberText name="baseline.setting.clip" label="Clip, groove from the top" />
      <NumberText name="baseline.setting.main" label="Main jet" />
      <NumberText name="baseline.setting.shimMm" label="Shims" unit="mm" />
      <NumberText name="baseline.air.temperatureK" label="Temperature then" unit="°C" />
      <NumberText name="baseline.air.pressurePa" label="Station pressure then" unit="hPa" />
      <NumberText name="baseline.air.relativeHumidity" label="Humidity then" unit="%" />
    </Section>
  );
}

export function RidingSection() {
  const kind = useWatch({ control: useBuild().control, name: "screwWindow.kind" });
  return (
    <Section
      title="How it is ridden and what is wanted"
      note="Share of the time in each zone, on any scale; λ wanted there; and how far the screw may go before it condemns the pilot jet."
    >
      {ZONES.map((zone) => (
        <NumberText key={zone} name={`usage.${zone}`} label={`${ZONE_NAMES[zone]}, share`} />
      ))}
      {ZONES.map((zone) => (
        <NumberText key={zone} name={`targetLambda.${zone}`} label={`${ZONE_NAMES[zone]}, λ`} />
      ))}
      <PickText
        name="screwWindow.kind"
        label="Screw window"
        options={[
          ["aroundBase", "Either side of the base"],
          ["fixed", "Fixed"],
        ]}
      />
      {kind === "aroundBase" ? (
        <NumberText name="screwWindow.turns" label="Either side" unit="turns" />
      ) : (
        <>
          <NumberText name="screwWindow.from" label="From" unit="turns" />
          <NumberText name="screwWindow.to" label="To" unit="turns" />
        </>
      )}
    </Section>
  );
}

/** What the rule book forbids: advice never breaks it, and says when it stands in the way. */
export function RulesSection() {
  const { control, setValue } = useBuild();
  const locked = useWatch({ control, name: "locked" });
  return (
    <Section
      title="Class rules"
      note="What may not be changed in your class. The rule book comes first: advice keeps to it, and says when a rule is what stands in the way."
    >
      <ToggleButtonGroup
        className="whole"
        fullWidth
        aria-label="Locked by the rules"
        value={locked.split(" ")}
        onChange={(_, parts: string[]) =>
          setValue("locked", PARTS.filter((part) => parts.includes(part)).join(" "))
        }
      >
        {PARTS.map((part) => (
          <ToggleButton key={part} value={part}>
            {PART_NAMES[part]}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Section>
  );
}
