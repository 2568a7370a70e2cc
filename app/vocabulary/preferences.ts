/** How this tuner likes numbers shown. Small, per device, not part of any log. */
import * as z from "zod";
import { CYLINDER_SCHOOLS } from "#core/advice/cylinder-schools.ts";

export const Preferences = z.object({
  temperature: z.enum(["°C", "°F"]).default("°C"),
  pressure: z.enum(["hPa", "kPa", "inHg", "mmHg"]).default("hPa"),
  length: z.enum(["m", "ft"]).default("m"),
  speed: z.enum(["km/h", "mph"]).default("km/h"),
  vacuum: z.enum(["kPa", "cmHg", "inHg", "mbar"]).default("kPa"),
  mixture: z.enum(["lambda", "afr"]).default("lambda"),
  /** single keys act wherever nothing is being typed */
  keys: z.enum(["on", "off"]).default("on"),
  /** the three hints on the first card */
  hints: z.enum(["shown", "read"]).default("shown"),
  /** what this tuner does about a cylinder that differs */
  cylinderSchool: z.enum(CYLINDER_SCHOOLS).default("causeFirst"),
});
export type Preferences = z.infer<typeof Preferences>;
