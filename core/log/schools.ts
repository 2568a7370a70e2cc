/** Named ways of working (screw method, order of work, …); one of each kind is in force at a time. */
import * as z from "zod/mini";

/** Where the mixture screw is set between its two fall-offs. */
export const SCREW_SCHOOLS = ["middle", "highest", "touchRich", "byFeel"] as const;
export type ScrewSchool = (typeof SCREW_SCHOOLS)[number];

/** How many parts are changed at one stop: all that can be told apart afterwards, or one. */
export const CHANGES_SCHOOLS = ["toldApart", "oneAtATime"] as const;
export type ChangesSchool = (typeof CHANGES_SCHOOLS)[number];

/** Where the work begins. */
export const ORDER_SCHOOLS = ["bottomUp", "topFirst", "mainThenClip", "startThenFinish"] as const;
export type OrderSchool = (typeof ORDER_SCHOOLS)[number];

/** Whether a part that is swapped may be advised where nothing finer helps, or only measured against. */
export const PARTS_SCHOOLS = ["whereNothingFiner", "never"] as const;
export type PartsSchool = (typeof PARTS_SCHOOLS)[number];

/** How sure is sure enough to stop: all zones right together. */
export const HOW_FAR_SCHOOLS = ["raceDay", "thorough", "asFarAsItGoes"] as const;
export type HowFarSchool = (typeof HOW_FAR_SCHOOLS)[number];

/** What is done about a cylinder that differs from its neighbours with the same jets. */
export const CYLINDER_SCHOOLS = ["causeFirst", "heatRange", "ownJets"] as const;
export type CylinderSchool = (typeof CYLINDER_SCHOOLS)[number];

/** What a tuner can look with. */
export const LOOK_MEANS = ["plug", "idleBench", "lambda", "temperature", "stopwatch", "rideReport"] as const;
export type LookMeans = (typeof LOOK_MEANS)[number];

export const School = z.discriminatedUnion("what", [
  z.strictObject({ what: z.literal("screw"), is: z.enum(SCREW_SCHOOLS) }),
  z.strictObject({ what: z.literal("changes"), is: z.enum(CHANGES_SCHOOLS) }),
  z.strictObject({ what: z.literal("order"), is: z.enum(ORDER_SCHOOLS) }),
  z.strictObject({ what: z.literal("parts"), is: z.enum(PARTS_SCHOOLS) }),
  z.strictObject({ what: z.literal("howFar"), is: z.enum(HOW_FAR_SCHOOLS) }),
  z.strictObject({ what: z.literal("cylinders"), is: z.enum(CYLINDER_SCHOOLS) }),
  z.strictObject({
    what: z.literal("lookWith"),
    is: z.array(z.enum(LOOK_MEANS)).check(z.minLength(1), z.maxLength(6)),
  }),
]);
export type School = z.infer<typeof School>;

export interface Schools {
  readonly screw: ScrewSchool;
  readonly changes: ChangesSchool;
  readonly order: OrderSchool;
  readonly parts: PartsSchool;
  readonly howFar: HowFarSchool;
  readonly cylinders: CylinderSchool;
  /** nothing until it was asked: then the log shows what was used */
  readonly lookWith: readonly LookMeans[] | undefined;
}

export const USUAL_SCHOOLS: Schools = {
  screw: "middle",
  changes: "toldApart",
  order: "bottomUp",
  parts: "whereNothingFiner",
  howFar: "thorough",
  cylinders: "causeFirst",
  lookWith: undefined,
};
