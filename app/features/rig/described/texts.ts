/**
 * A rig as typed: the build with every number as text, under the same names, so that whatever is refused is
 * said at the field it belongs to.
 */
import * as z from "zod/mini";
import { Build } from "#core/log/schema.ts";
import {
  asItWas,
  maybe,
  maybeAll,
  spaced,
  typedNumber,
  typedQuantity,
  variants,
  yesOrNo,
} from "#app/ui/typed.ts";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { boundWords } from "#app/vocabulary/bounds.ts";
import { carburettor, opened, setting } from "./carburettor-texts.ts";

const B = Build.shape;
const n = typedNumber;

const zoned = (record: typeof B.usage) =>
  z.object({
    idle: n(record.shape.idle),
    low: n(record.shape.low),
    mid: n(record.shape.mid),
    top: n(record.shape.top),
  });

type Fuel = Record<
  "name" | "ethanolPercent" | "oilRatio" | "density15KgM3" | "expansionPerK" | "stoichiometric",
  string
>;
const [petrol, , other] = B.fuel.def.options;
const oilRatio = maybe(n(petrol.shape.oilRatio.def.innerType));
const fuel = variants<Fuel, z.infer<typeof B.fuel>>(
  "name",
  {
    petrol: z.object({ ethanolPercent: maybe(n(petrol.shape.ethanolPercent.def.innerType)), oilRatio }),
    methanol: z.object({ oilRatio }),
    other: z.object({
      oilRatio,
      density15KgM3: n(other.shape.density15KgM3),
      expansionPerK: n(other.shape.expansionPerK),
      stoichiometric: n(other.shape.stoichiometric),
    }),
  },
  {
    name: "petrol",
    ethanolPercent: "",
    oilRatio: "",
    density15KgM3: "745",
    expansionPerK: "0.00095",
    stoichiometric: "14.6",
  },
);

type Window = Record<"kind" | "turns" | "from" | "to", string>;
const [aroundBase, fixed] = B.screwWindow.def.options;
const screwWindow = variants<Window, z.infer<typeof B.screwWindow>>(
  "kind",
  {
    aroundBase: z.object({ turns: n(aroundBase.shape.turns) }),
    fixed: z.object({ from: n(fixed.shape.from), to: n(fixed.shape.to) }),
  },
  { kind: "aroundBase", turns: "1", from: "1", to: "2" },
);

const E = B.engine.shape;
const air = B.baseline.shape.air.shape;
const rules = B.rules.def.innerType.shape;
const float = rules.floatMm.def.innerType.shape;
const plug = B.plug.def.innerType.shape;
const breathing = B.breathing.def.innerType.shape;

/** What the air that was right is typed in. */
const Units = z.object({
  temperature: Preferences.shape.temperature,
  pressure: Preferences.shape.pressure,
});
export type AirUnits = z.output<typeof Units>;
const METRIC = Units.parse({});

/** They travel with what is typed: kept or sent, it is read in the units it was typed in. */
export const unitsOf = ({ units }: { readonly units?: unknown }): AirUnits =>
  Units.safeParse(units ?? {}).data ?? METRIC;

const makeFields = (units: AirUnits) =>
  z.object({
    machine: z.string(),
    engine: z.object({
      strokes: n(E.strokes),
      cooling: z.string(),
      displacementCm3: n(E.displacementCm3),
      cylinders: n(E.cylinders),
      idleRpm: n(E.idleRpm),
      peakRpm: n(E.peakRpm),
      revLimitRpm: maybe(n(E.revLimitRpm.def.innerType)),
    }),
    firesEvenly: yesOrNo,
    carburettor,
    carburettors: n(B.carburettors.def.innerType),
    /** all like the first, whatever stands in `others` */
    alike: yesOrNo,
    others: z.array(z.object({ carburettor, setting })),
    sync: asItWas<typeof B.sync>(),
    heat: asItWas<typeof B.heat>(),
    airAnswer: asItWas<typeof B.airAnswer>(),
    fuel,
    baseline: z.object({
      setting,
      air: z.object({
        temperatureK: typedQuantity("temperature", units.temperature, air.temperatureK),
        pressurePa: typedQuantity("pressure", units.pressure, air.pressurePa),
        relativeHumidity: typedQuantity("humidity", "%", air.relativeHumidity),
      }),
      proven: z.string(),
    }),
    /** it has a screen of its own */
    box: asItWas<typeof B.box>(),
    rules: z.object({
      locked: spaced,
      noWashers: yesOrNo,
      onePlug: yesOrNo,
      floatMm: maybeAll(z.object({ from: n(float.from), to: n(float.to) }), ["from", "to"], {
        from: "",
        to: "",
      }),
    }),
    plug: maybeAll(
      z.object({
        thread: plug.thread,
        heatRange: n(plug.heatRange),
        higherIs: z.string(),
        gapMm: n(plug.gapMm),
      }),
      ["thread", "heatRange", "gapMm"],
      { thread: "", heatRange: "", higherIs: "colder", gapMm: "" },
    ),
    breathing: maybeAll(
      z.object({ pipe: breathing.pipe, filter: breathing.filter, lid: z.string() }),
      ["pipe", "filter"],
      { pipe: "", filter: "", lid: "on" },
    ),
    targetLambda: zoned(B.targetLambda),
    usage: zoned(B.usage),
    screwWindow,
    assumed: spaced,
  });

const made = new Map<string, ReturnType<typeof makeFields>>();
/** Made once for each pair of units: it is read with every key. */
function fieldsIn(units: AirUnits) {
  const key = `${units.temperature} ${units.pressure}`;
  const found = made.get(key) ?? makeFields(units);
  made.set(key, found);
  return found;
}

export type BuildTexts = z.input<ReturnType<typeof fieldsIn>> & { readonly units?: AirUnits };
type Opened = z.output<ReturnType<typeof fieldsIn>>;

/** What goes without saying is left out: one carburettor, alike ones, no rules, nothing assumed. */
function closed({
  alike,
  firesEvenly,
  others,
  carburettors,
  rules,
  assumed,
  ...rest
}: Opened): Record<string, unknown> {
  const free = rules.locked.length === 0 && !rules.noWashers && !rules.onePlug && rules.floatMm === undefined;
  return {
    ...rest,
    ...(!firesEvenly && { firing: "uneven" }),
    ...(carburettors !== 1 && { carburettors }),
    ...(!alike && others.length > 0 && { others }),
    ...(!free && { rules }),
    ...(assumed.length > 0 && { assumed }),
  };
}

/** Fields that were left empty are no part of what is kept. */
function withoutGaps(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutGaps);
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, item]) => item !== undefined)
      .map(([key, item]) => [key, withoutGaps(item)]),
  );
}

/** Carburettors that are alike, or beyond the number, are not read: what was typed for them waits. */
const counted = (texts: BuildTexts): BuildTexts => ({
  ...texts,
  others: texts.alike === "yes" ? [] : texts.others.slice(0, Math.max(0, Number(texts.carburettors) - 1)),
});

/** @returns the build as far as the texts go, not yet held against its schema, or what cannot be read */
export function readBuild(
  texts: BuildTexts,
): { ok: true; build: unknown } | { ok: false; error: z.core.$ZodError } {
  const read = z.safeDecode(fieldsIn(unitsOf(texts)), counted(texts), { error: boundWords });
  return read.success
    ? { ok: true, build: withoutGaps(closed(read.data)) }
    : { ok: false, error: read.error };
}

/** @returns the form for a build, with the usual values waiting in the variants that are not chosen */
export function buildTexts(build: Build, units = METRIC): BuildTexts {
  const { rules, others = [] } = build;
  const texts = z.encode(fieldsIn(units), {
    sync: undefined,
    heat: undefined,
    airAnswer: undefined,
    plug: undefined,
    breathing: undefined,
    ...build,
    engine: { revLimitRpm: undefined, ...build.engine },
    fuel: { ethanolPercent: undefined, oilRatio: undefined, ...build.fuel } as z.infer<typeof B.fuel>,
    carburettor: opened(build.carburettor),
    carburettors: build.carburettors ?? 1,
    firesEvenly: build.firing === undefined,
    alike: build.others === undefined,
    others: others.map(({ carburettor: body, setting: right }) => ({
      carburettor: opened(body),
      setting: right,
    })),
    rules: { locked: [], noWashers: false, onePlug: false, floatMm: undefined, ...rules },
    assumed: build.assumed ?? [],
  });
  return { ...texts, units };
}
