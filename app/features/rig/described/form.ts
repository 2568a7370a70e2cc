/**
 * A rig as typed: the build with every number as text, under the same names, so that whatever the schema
 * refuses is said at the field it belongs to.
 */
import * as z from "zod";
import { Build, type LoggedCarburettor, type Setting } from "#core/log/schema.ts";
import { carburettorCount } from "#core/rig/carburettors.ts";
import { checkBuild, checkCarburettor } from "#core/rig/check-build.ts";
import { fromSI, readQuantity } from "#core/units/quantity.ts";
import { readSizeList, writeSizeList } from "#core/units/size-list.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";

/** The same shape with texts at its leaves. */
type Texts<T> = T extends readonly (infer E)[]
  ? E extends object
    ? Texts<E>[]
    : string
  : T extends object
    ? { [K in keyof T]-?: Texts<Exclude<T[K], undefined>> }
    : string;

type Slide = {
  kind: string;
  idleLiftMm: string;
  cutawayMm: string;
  restLiftMm: string;
  depressionPa: string;
};
type Numbering = { by: string; referenceNumber: string; referenceDiameterMm: string };
type Own = { name: string; density15KgM3: string; expansionPerK: string; stoichiometric: string };
type Window = { kind: string; turns: string; from: string; to: string };

type CarburettorTexts = Omit<Texts<LoggedCarburettor>, "slide" | "pilotNumbering" | "mainNumbering"> & {
  slide: Slide;
  pilotNumbering: Numbering;
  mainNumbering: Numbering;
};
type SettingTexts = Texts<Setting>;

/** Variants are opened out: the form keeps what was typed for one while another is chosen. */
export type BuildTexts = Omit<
  Texts<Build>,
  "carburettor" | "fuel" | "screwWindow" | "others" | "box" | "rules" | "assumed"
> & {
  carburettor: CarburettorTexts;
  fuel: Own;
  screwWindow: Window;
  /** "yes": all like the first, whatever stands in `others` */
  alike: string;
  others: { carburettor: CarburettorTexts; setting: SettingTexts }[];
  /** drilled jets and other families have a screen of their own */
  box: { pilots: string; mains: string; shimsMm: string };
  rules: { locked: string; noWashers: string; onePlug: string; floatMm: { from: string; to: string } };
  /** paths, parted by spaces */
  assumed: string;
};

const NUMBERING = { diameter: ["by"], flow: ["by", "referenceNumber", "referenceDiameterMm"] };
const VARIANTS: Readonly<Record<string, Readonly<Record<string, readonly string[]>>>> = {
  "carburettor.slide": {
    manual: ["kind", "idleLiftMm", "cutawayMm"],
    vacuum: ["kind", "restLiftMm", "depressionPa"],
  },
  "carburettor.pilotNumbering": NUMBERING,
  "carburettor.mainNumbering": NUMBERING,
  fuel: { other: ["name", "density15KgM3", "expansionPerK", "stoichiometric"] },
  screwWindow: { aroundBase: ["kind", "turns"], fixed: ["kind", "from", "to"] },
};
const WORDS = new Set([
  ...["machine", "cooling", "kind", "by", "name", "screw", "proven", "linkage"],
  ...["thread", "higherIs", "pipe", "filter", "lid", "stamp"],
]);
const YES_OR_NO = new Set(["emulsionTubeDrilled", "noWashers", "onePlug"]);
const OPTIONAL = new Set([
  ...["mainAirJetMm", "pilotAirJetMm", "pumpBaseTurns", "slideSpringMm", "stamp"],
  ...["revLimitRpm", "carburettors", "headerSpreadK"],
]);
/** Left out as a whole when nothing in it was typed; a choice alone does not count. */
const OPTIONAL_GROUPS: Readonly<Record<string, readonly string[]>> = {
  plug: ["thread", "heatRange", "gapMm"],
  breathing: ["pipe", "filter"],
  "rules.floatMm": ["from", "to"],
};
const LISTS = new Set(["pilots", "mains", "shimsMm"]);
const SPACED = new Set(["locked", "assumed"]);
const AIR = {
  temperatureK: ["temperature", "°C"],
  pressurePa: ["pressure", "hPa"],
  relativeHumidity: ["humidity", "%"],
} as const;

type Say = (path: PropertyKey[], message: string) => void;

function leaf(path: string[], text: string, say: Say): unknown {
  const name = path.at(-1) ?? "";
  if (OPTIONAL.has(name) && text.trim() === "") return undefined;
  if (WORDS.has(name)) return text;
  if (YES_OR_NO.has(name)) return text === "yes";
  if (SPACED.has(name)) return text.split(" ").filter((word) => word !== "");
  if (LISTS.has(name)) {
    const list = readSizeList(text);
    if (list.ok) return list.sizes;
    say(path, `“${list.wrong}” is no size. Write 150, 152, 155 or 150 to 175 by 2.5.`);
    return [];
  }
  if (path.includes("air") && name in AIR) {
    const [kind, unit] = AIR[name as keyof typeof AIR];
    const read = readQuantity(kind, text, unit as never);
    if (read.ok) return read.valueSI;
  } else {
    const read = readTypedNumber(text);
    if (read.ok) return read.value;
  }
  say(path, text.trim() === "" ? "Type a number here." : `“${text}” is not a number.`);
  return Number.NaN;
}

/** Numbers out of texts, all the way down; of a variant only what belongs to the chosen one. */
function numbers(value: unknown, path: string[], say: Say): unknown {
  if (typeof value === "string") return leaf(path, value, say);
  if (Array.isArray(value)) return value.map((item, i) => numbers(item, [...path, String(i)], say));
  const group = value as Record<string, unknown>;
  const fields = Object.entries(group);
  const wanted = OPTIONAL_GROUPS[path.join(".")];
  if (wanted?.every((key) => String(group[key]).trim() === "")) return undefined;
  const variants = VARIANTS[path.join(".").replace(/^others\.\d+\./, "")];
  const chosen = fields.find(([key]) => key === "kind" || key === "by" || key === "name")?.[1];
  const kept = variants ? (variants[String(chosen)] ?? ["name"]) : undefined;
  return Object.fromEntries(
    fields
      .filter(([key]) => kept?.includes(key) ?? true)
      .map(([key, item]) => [key, numbers(item, [...path, key], say)] as const)
      .filter(([, item]) => item !== undefined),
  );
}

function issueWords(issue: z.core.$ZodIssue): string {
  if (issue.code === "too_small") return `Must be at least ${String(issue.minimum)}.`;
  if (issue.code === "too_big") return `Must be at most ${String(issue.maximum)}.`;
  if (issue.code === "invalid_type")
    return issue.message.includes("int") ? "Must be a whole number." : "Type a number here.";
  return issue.message;
}

/** What the model's refusal is about, by the words it begins with. */
const MODEL_FIELDS: readonly (readonly [string, string[]])[] = [
  ["needle must be thinner", ["carburettor", "needleJetMm"]],
  ["needle profile", ["carburettor", "needle", "profile", "0", "alongMm"]],
  ["pilot jet must be finer", ["baseline", "setting", "pilot"]],
  ["reference clip", ["carburettor", "needle", "referenceClip"]],
  ["clip", ["baseline", "setting", "clip"]],
  ["screw window", ["screwWindow", "from"]],
  ["usage", ["usage", "top"]],
  ["peak speed", ["engine", "peakRpm"]],
  ["rev limit", ["engine", "revLimitRpm"]],
  ["carburettors", ["carburettors"]],
  ["float range", ["rules", "floatMm", "from"]],
  ["idle lift", ["carburettor", "slide", "idleLiftMm"]],
  ["rest lift", ["carburettor", "slide", "restLiftMm"]],
  ["cutaway", ["carburettor", "slide", "cutawayMm"]],
  ["idle depression", ["carburettor", "boreMm"]],
];

/** The second and later carburettors stand under `others`. */
function fieldOf(message: string, carburettor: number): string[] {
  const path = MODEL_FIELDS.find(([words]) => message.startsWith(words))?.[1] ?? ["carburettor", "boreMm"];
  if (carburettor === 0) return path;
  const other = ["others", String(carburettor - 1)];
  if (path[0] === "carburettor") return [...other, ...path];
  return path[0] === "baseline" ? [...other, ...path.slice(1)] : path;
}

const refusalOf = (check: () => void): string | undefined => {
  try {
    check();
    return undefined;
  } catch (error) {
    if (error instanceof RangeError) return error.message;
    throw error;
  }
};

function firstRefusal(build: Build): { message: string; carburettor: number } | undefined {
  for (let carburettor = 0; carburettor < carburettorCount(build); carburettor += 1) {
    const message = refusalOf(() => checkCarburettor(build, carburettor));
    if (message !== undefined) return { message, carburettor };
  }
  const message = refusalOf(() => checkBuild(build));
  return message === undefined ? undefined : { message, carburettor: 0 };
}

const noRules = ({ locked, noWashers, onePlug, floatMm }: BuildTexts["rules"]): boolean =>
  `${locked}${floatMm.from}${floatMm.to}`.trim() === "" && noWashers === "no" && onePlug === "no";

/** What goes without saying is left out: one carburettor, alike ones, no rules, nothing assumed. */
function asBuild({
  alike,
  others,
  assumed,
  carburettors,
  rules,
  ...texts
}: BuildTexts): Record<string, unknown> {
  const more = Number(carburettors) - 1;
  return {
    ...texts,
    ...(carburettors.trim() !== "1" && { carburettors }),
    ...(alike === "no" && more > 0 && { others: others.slice(0, more) }),
    ...(!noRules(rules) && { rules }),
    ...(assumed.trim() !== "" && { assumed }),
  };
}

export const BuildForm = z
  .custom<BuildTexts>((value) => typeof value === "object" && value !== null)
  .transform((texts, ctx): Build => {
    const said = new Set<string>();
    const say: Say = (path, message) => {
      if (said.has(path.join("."))) return;
      said.add(path.join("."));
      ctx.addIssue({ code: "custom", path, message });
    };
    const parsed = Build.safeParse(numbers(asBuild(texts), [], say));
    if (!parsed.success) {
      for (const issue of parsed.error.issues) say([...issue.path.map(String)], issueWords(issue));
      return z.NEVER;
    }
    if (said.size > 0) return z.NEVER;
    const refusal = firstRefusal(parsed.data);
    if (!refusal) return parsed.data;
    say(fieldOf(refusal.message, refusal.carburettor), `This cannot be: ${refusal.message}.`);
    return z.NEVER;
  });

const OPENED: Pick<BuildTexts, "fuel" | "screwWindow"> & { slide: Slide; numbering: Numbering } = {
  slide: { kind: "manual", idleLiftMm: "2", cutawayMm: "4", restLiftMm: "3", depressionPa: "2200" },
  numbering: { by: "diameter", referenceNumber: "100", referenceDiameterMm: "1" },
  fuel: { name: "petrol", density15KgM3: "745", expansionPerK: "0.00095", stoichiometric: "14.6" },
  screwWindow: { kind: "aroundBase", turns: "1", from: "1", to: "2" },
};

function text(value: unknown, path: string[]): unknown {
  const name = path.at(-1) ?? "";
  if (SPACED.has(name)) return (value as string[]).join(" ");
  if (LISTS.has(name)) return writeSizeList(value as number[]);
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (path.includes("air") && name in AIR) {
    const [kind, unit] = AIR[name as keyof typeof AIR];
    return String(Number(fromSI(kind, value as number, unit as never).toFixed(6)));
  }
  if (Array.isArray(value)) return value.map((item) => text(item, path));
  if (typeof value === "object" && value !== null)
    return Object.fromEntries(Object.entries(value).map(([key, item]) => [key, text(item, [...path, key])]));
  return String(value);
}

function carburettorTexts(carburettor: LoggedCarburettor): CarburettorTexts {
  const texts = text(carburettor, ["carburettor"]) as CarburettorTexts;
  return {
    ...texts,
    stamp: texts.stamp ?? "",
    mainAirJetMm: texts.mainAirJetMm ?? "",
    pilotAirJetMm: texts.pilotAirJetMm ?? "",
    pumpBaseTurns: texts.pumpBaseTurns ?? "",
    slideSpringMm: texts.slideSpringMm ?? "",
    slide: { ...OPENED.slide, ...texts.slide },
    pilotNumbering: { ...OPENED.numbering, ...texts.pilotNumbering },
    mainNumbering: { ...OPENED.numbering, ...texts.mainNumbering },
  };
}

const NO_PLUG = { thread: "", heatRange: "", higherIs: "colder", gapMm: "" };
const NO_BREATHING = { pipe: "", filter: "", lid: "on" };
const NO_RULES = { locked: "", noWashers: "no", onePlug: "no" };

/** @returns the form for a build, with the usual values waiting in the variants that are not chosen */
export function buildTexts(build: Build): BuildTexts {
  const { carburettor, others, box, ...rest } = build;
  const texts = text(rest, []) as BuildTexts;
  return {
    ...texts,
    engine: { ...texts.engine, revLimitRpm: texts.engine.revLimitRpm ?? "" },
    carburettors: texts.carburettors ?? "1",
    alike: others ? "no" : "yes",
    carburettor: carburettorTexts(carburettor),
    others: (others ?? []).map((other) => ({
      carburettor: carburettorTexts(other.carburettor),
      setting: text(other.setting, ["setting"]) as SettingTexts,
    })),
    box: {
      pilots: writeSizeList(box.pilots),
      mains: writeSizeList(box.mains),
      shimsMm: writeSizeList(box.shimsMm),
    },
    rules: { ...NO_RULES, ...texts.rules, floatMm: texts.rules?.floatMm ?? { from: "", to: "" } },
    plug: { ...NO_PLUG, ...texts.plug },
    breathing: { ...NO_BREATHING, ...texts.breathing },
    assumed: texts.assumed ?? "",
    fuel: { ...OPENED.fuel, ...texts.fuel },
    screwWindow: { ...OPENED.screwWindow, ...texts.screwWindow },
  };
}
