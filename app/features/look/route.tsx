import { useWatch } from "react-hook-form";
import { useSearchParams } from "react-router";
import type { Route } from "./+types/route";
import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import type { Build } from "#core/log/schema.ts";
import { ZoneName } from "#core/log/parts.ts";
import type { LookHow } from "#core/looks/look-kind.ts";
import { NOTHING_TOLD } from "#app/frame/FeltRows.tsx";
import { enteredAs, HowName } from "#app/frame/look-query.ts";
import { LookKinds } from "#app/frame/LookKinds.tsx";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useBackToToday } from "#app/frame/use-logged-tap.ts";
import { useRig, type RigContext } from "#app/frame/use-rig.ts";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { WentWrong } from "#app/frame/WentWrong.tsx";
import { rigAction } from "#app/journal/rig-action.ts";
import { readInstrumentNames } from "#app/store/instruments.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { zoneCaution } from "#app/vocabulary/cautions.ts";
import { ZONE_NAMES, ZONE_OPENINGS } from "#app/vocabulary/parts.ts";
import { lookForm, type LookTexts } from "./form.ts";
import { HeatFields } from "./HeatFields.tsx";
import { NO_FIGURES, NOTHING_TYPED } from "./kinds.ts";
import { LambdaFields } from "./LambdaFields.tsx";
import { PlugFields } from "./PlugFields.tsx";
import { ProvenFields } from "./ProvenFields.tsx";
import { ReadWith } from "./ReadWith.tsx";
import { RideFields } from "./RideFields.tsx";
import { SymptomFields } from "./SymptomFields.tsx";
import { LAW_PAGE } from "#app/vocabulary/help.ts";
import { WitnessFields } from "./WitnessFields.tsx";

/** Under which what was tapped and typed is kept. */
const LOOK = "look";

export async function clientLoader() {
  return { instruments: await readInstrumentNames() };
}

export const clientAction = rigAction({
  codec: ({ rig }) => lookForm(rig.build),
  form: LOOK,
  entries: (contents) => contents,
});

/** Opens on what was asked for; else on what this rig is run by. */
function usualHow({ build, present }: RigContext, asked: LookHow | undefined): HowName {
  if (asked !== undefined) return enteredAs(asked);
  const last = present.looks.at(-1)?.entry.reading.type;
  if (last === "lambda" || last === "temperature") return last;
  return build.heat && last === undefined ? "temperature" : "plug";
}

function startOf({ build, preferences }: RigContext): LookTexts {
  return {
    type: "plug",
    zone: "top",
    instrument: "",
    felt: NOTHING_TOLD,
    ...NOTHING_TYPED,
    plug: { ...NOTHING_TYPED.plug, findings: [] },
    lambda: { figure: "", scale: preferences.mixture, sensor: "inside", along: NO_FIGURES },
    temperature: {
      sensor: build.heat?.staging ? "head" : "exhaust",
      unit: preferences.temperature,
      exhaust: "",
      staging: "",
      finish: "",
    },
  };
}

/** @returns the cylinder (from 1) that was looked at, or nothing for the engine as a whole */
function cylinderNamed(named: string | null, { engine }: Build): number | undefined {
  const read = Number(named ?? NaN);
  return Number.isInteger(read) && read >= 1 && read <= engine.cylinders && engine.cylinders > 1
    ? read
    : undefined;
}

export default function LookRoute({ loaderData }: Route.ComponentProps) {
  const context = useRig();
  const [search, setSearch] = useSearchParams();
  const advised = context.advice?.next.kind === "ride" ? context.advice.next : undefined;
  const zone: Zone = ZoneName.safeParse(search.get("zone")).data ?? advised?.zone ?? "top";
  const how = HowName.safeParse(search.get("how")).data ?? usualHow(context, advised?.how);
  const whole = how === "ride" || how === "proven";
  const { cylinders } = context.build.engine;
  const cylinder = cylinderNamed(search.get("cylinder"), context.build);
  const form = useRigForm(LOOK, lookForm(context.build), startOf(context), {
    besides: { type: how, zone, cylinder },
  });
  const { control, setValue } = form.methods;
  const instrument = useWatch({ control, name: "instrument" });
  useBackToToday(context.header.id, form.answer);
  const set = (key: string, value: string) =>
    setSearch(
      (before) => {
        before.set(key, value);
        return before;
      },
      { replace: true },
    );
  return (
    <RigFields form={form} saves="Save this look">
      <h1>What did you see?</h1>
      <LookKinds kind={how} onKind={(value) => set("how", value)} />
      {!whole && (
        <Choice
          label="Where on the throttle"
          value={zone}
          options={ZONES.map((value) => ({ value, text: ZONE_NAMES[value], note: ZONE_OPENINGS[value] }))}
          onChange={(value) => set("zone", value)}
        />
      )}
      {cylinders > 1 && !whole && (
        <Choice
          label="Which cylinder"
          value={cylinder === undefined ? "all" : String(cylinder)}
          options={[
            { value: "all", text: "The engine" },
            ...Array.from({ length: cylinders }, (_, i) => ({ value: String(i + 1), text: String(i + 1) })),
          ]}
          onChange={(value) => set("cylinder", value)}
        />
      )}
      <ReadWith
        how={how}
        names={loaderData.instruments}
        value={instrument}
        onChange={(name) => setValue("instrument", name)}
      />
      {how === "plug" && <PlugFields zone={zone} />}
      {how === "lambda" && (
        <LambdaFields zone={zone} along={advised?.how === "lambda" ? (advised.along ?? []) : []} />
      )}
      {how === "symptom" && <SymptomFields onZone={(value) => set("zone", value)} />}
      {how === "temperature" && <HeatFields zone={zone} onSave={() => form.save()} />}
      {how === "witness" && <WitnessFields />}
      {how === "ride" && <RideFields />}
      {how === "proven" && <ProvenFields />}
      {(how === "plug" || how === "temperature") && (
        <details open={advised?.tells} className="protocol">
          <summary>How did it pull on that ride?</summary>
          <RideFields />
        </details>
      )}
      {how !== "proven" && <WentWrong rigId={context.header.id} />}
      {!whole && (
        <Caution page={zone === "top" ? LAW_PAGE : undefined}>
          {zoneCaution(how, zone, context.build.fuel.name)}
        </Caution>
      )}
    </RigFields>
  );
}
