/**
 * A rig as typed: the build with every number as text, under the same names, so that whatever the schema
 * refuses is said at the field it belongs to.
 */
import * as z from "zod";
import { Build } from "#core/log/schema.ts";
import { checkBuild } from "#core/rig/check-build.ts";
import { fromSI, readQuantity } from "#core/units/quantity.ts";
import { readSizeList, writeSizeList } from "#core/units/size-list.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";

/** The same shape with texts at its leaves. */
type Texts<T> = T extends readonly (infer E)[]
  ? E extends object
    ? Texts<E>[]
    : string
  : T extends object
    ? { [K in keyof T]-?: Texts<T[K]> }
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

/** Variants are opened out: the form keeps what was typed for one while another is chosen. */
export type BuildTexts = Omit<Texts<Build>, "carburettor" | "fuel" | "screwWindow"> & {
  carburettor: Omit<Texts<Build["carburettor"]>, "slide" | "pilotNumbering" | "mainNumbering"> & {
    slide: Slide;
    pilotNumbering: Numbering;
    mainNumbering: Numbering;
  };
  fuel: Own;
  screwWindow: Window;
};

const VARIANTS: Readonly<Record<string, Readonly<Record<string, readonly string[]>>>> = {
  "carburettor.slide": {
    manual: ["kind", "idleLiftMm", "cutawayMm"],
    vacuum: ["kind", "restLiftMm", "depressionPa"],
  },
  "carburettor.pilotNumbering": { diameter: ["by"], flow: ["by", "referenceNumber", "referenceDiameterMm"] },
  "carburettor.mainNumbering": { diameter: ["by"], flow: ["by", "referenceNumber", "referenceDiameterMm"] },
  fuel: { other: ["name", "density15KgM3", "expansionPerK", "stoichiometric"] },
  screwWindow: { aroundBase: ["kind", "turns"], fixed: ["kind", "from", "to"] },
};
const WORDS = new Set(["machine", "cooling", "kind", "by", "name", "screw"]);
const OPTIONAL = new Set(["mainAirJetMm", "pilotAirJetMm", "locked"]);
const LISTS = new Set(["pilots", "mains", "shimsMm"]);
const AIR = {
  temperatureK: ["temperature", "°C"],
  pressurePa: ["pressure", "hPa"],
  relativeHumidity: ["humidity", "%"],
} as const;

type Say = (path: PropertyKey[], message: string) => void;

function leaf(path: string[], text: string, say: Say): unknown {
  const name = path.at(-1) ?? "";
  if (WORDS.has(name)) return text;
  if (name === "emulsionTubeDrilled") return text === "yes";
  if (OPTIONAL.has(name) && text.trim() === "") return undefined;
  if (name === "locked") return text.split(" ");
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
  const fields = Object.entries(value as Record<string, unknown>);
  const variants = VARIANTS[path.join(".")];
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
  ["reference clip", ["carburettor", "needle", "referenceClip"]],
  ["clip", ["baseline", "setting", "clip"]],
  ["screw window", ["screwWindow", "from"]],
  ["usage", ["usage", "top"]],
  ["peak speed", ["engine", "peakRpm"]],
  ["idle lift", ["carburettor", "slide", "idleLiftMm"]],
  ["rest lift", ["carburettor", "slide", "restLiftMm"]],
  ["cutaway", ["carburettor", "slide", "cutawayMm"]],
  ["idle depression", ["carburettor", "boreMm"]],
];

export const BuildForm = z
  .custom<BuildTexts>((value) => typeof value === "object" && value !== null)
  .transform((texts, ctx): Build => {
    const said = new Set<string>();
    const say: Say = (path, message) => {
      if (said.has(path.join("."))) return;
      said.add(path.join("."));
      ctx.addIssue({ code: "custom", path, message });
    };
    const parsed = Build.safeParse(numbers(texts, [], say));
    if (!parsed.success) {
      for (const issue of parsed.error.issues) say([...issue.path.map(String)], issueWords(issue));
      return z.NEVER;
    }
    if (said.size > 0) return z.NEVER;
    try {
      checkBuild(parsed.data);
      return parsed.data;
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      const field = MODEL_FIELDS.find(([words]) => error.message.startsWith(words))?.[1] ?? [
        "carburettor",
        "boreMm",
      ];
      say(field, `This cannot be: ${error.message}.`);
      return z.NEVER;
    }
  });

const OPENED: Pick<BuildTexts, "fuel" | "screwWindow"> & { slide: Slide; numbering: Numbering } = {
  slide: { kind: "manual", idleLiftMm: "2", cutawayMm: "4", restLiftMm: "3", depressionPa: "2200" },
  numbering: { by: "diameter", referenceNumber: "100", referenceDiameterMm: "1" },
  fuel: { name: "petrol", density15KgM3: "745", expansionPerK: "0.00095", stoichiometric: "14.6" },
  screwWindow: { kind: "aroundBase", turns: "1", from: "1", to: "2" },
};

function text(value: unknown, path: string[]): unknown {
  const name = path.at(-1) ?? "";
  if (name === "locked") return (value as string[]).join(" ");
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

/** @returns the form for a build, with the usual values waiting in the variants that are not chosen */
export function buildTexts(build: Build): BuildTexts {
  const texts = text(build, []) as BuildTexts;
  const { carburettor } = texts;
  return {
    ...texts,
    locked: texts.locked ?? "",
    carburettor: {
      ...carburettor,
      mainAirJetMm: carburettor.mainAirJetMm ?? "",
      pilotAirJetMm: carburettor.pilotAirJetMm ?? "",
      slide: { ...OPENED.slide, ...carburettor.slide },
      pilotNumbering: { ...OPENED.numbering, ...carburettor.pilotNumbering },
      mainNumbering: { ...OPENED.numbering, ...carburettor.mainNumbering },
    },
    fuel: { ...OPENED.fuel, ...texts.fuel },
    screwWindow: { ...OPENED.screwWindow, ...texts.screwWindow },
  };
}
