/** Steps of taking a carburettor apart, in order. */
import * as z from "zod/mini";

export const TEARDOWN_STEPS = [
  "asFound",
  "stamp",
  "screw",
  "slide",
  "clip",
  "needle",
  "float",
  "floatValve",
  "mainJet",
  "needleJet",
  "pilotJet",
  "pilotAirJet",
  "mainAirJet",
  "pump",
  "rubber",
  "cleaned",
] as const;
export const TeardownStep = z.enum(TEARDOWN_STEPS);
export type TeardownStep = z.infer<typeof TeardownStep>;
