/** One carburettor and its setting as typed. */
import * as z from "zod/mini";
import { Build, Setting } from "#core/log/schema.ts";
import { maybe, typedNumber as n, variants, yesOrNo } from "#app/ui/typed.ts";
import { numbering } from "../numbering.ts";

const C = Build.shape.carburettor.shape;

export const setting = z.object({
  pilot: n(Setting.shape.pilot),
  screwTurns: n(Setting.shape.screwTurns),
  clip: n(Setting.shape.clip),
  main: n(Setting.shape.main),
  shimMm: n(Setting.shape.shimMm),
});

type Slide = Record<"kind" | "idleLiftMm" | "cutawayMm" | "restLiftMm" | "depressionPa", string>;
const [manual, vacuum] = C.slide.def.options;
const slide = variants<Slide, z.infer<typeof C.slide>>(
  "kind",
  {
    manual: z.object({ idleLiftMm: n(manual.shape.idleLiftMm), cutawayMm: n(manual.shape.cutawayMm) }),
    vacuum: z.object({ restLiftMm: n(vacuum.shape.restLiftMm), depressionPa: n(vacuum.shape.depressionPa) }),
  },
  { kind: "manual", idleLiftMm: "2", cutawayMm: "4", restLiftMm: "3", depressionPa: "2200" },
);

const point = C.needle.shape.profile.def.element.shape;
export const carburettor = z.object({
  stamp: maybe(C.stamp.def.innerType),
  boreMm: n(C.boreMm),
  slide,
  needleJetMm: n(C.needleJetMm),
  needle: z.object({
    profile: z.array(z.object({ alongMm: n(point.alongMm), diameterMm: n(point.diameterMm) })),
    grooves: n(C.needle.shape.grooves),
    groovePitchMm: n(C.needle.shape.groovePitchMm),
    referenceClip: n(C.needle.shape.referenceClip),
  }),
  screw: z.string(),
  pilotNumbering: numbering,
  mainNumbering: numbering,
  fuelDropMm: n(C.fuelDropMm),
  emulsionTubeDrilled: yesOrNo,
  mainAirJetMm: maybe(n(C.mainAirJetMm.def.innerType)),
  pilotAirJetMm: maybe(n(C.pilotAirJetMm.def.innerType)),
  pumpBaseTurns: maybe(n(C.pumpBaseTurns.def.innerType)),
  slideSpringMm: maybe(n(C.slideSpringMm.def.innerType)),
});

/** Every field of the form is there, also one the build says nothing of. */
export const opened = (body: Build["carburettor"]) => ({
  stamp: undefined,
  mainAirJetMm: undefined,
  pilotAirJetMm: undefined,
  pumpBaseTurns: undefined,
  slideSpringMm: undefined,
  ...body,
});
