/** How this tuner likes numbers shown. Small, per device, not part of any log. */
import * as z from "zod/mini";

export const Preferences = z.object({
  temperature: z._default(z.enum(["°C", "°F"]), "°C"),
  pressure: z._default(z.enum(["hPa", "kPa", "inHg", "mmHg"]), "hPa"),
  length: z._default(z.enum(["m", "ft"]), "m"),
  speed: z._default(z.enum(["km/h", "mph"]), "km/h"),
  vacuum: z._default(z.enum(["kPa", "cmHg", "inHg", "mbar"]), "kPa"),
  mixture: z._default(z.enum(["lambda", "afr"]), "lambda"),
  /** single keys act wherever nothing is being typed */
  keys: z._default(z.enum(["on", "off"]), "on"),
  /** the three hints on the first card */
  hints: z._default(z.enum(["shown", "read"]), "shown"),
  /** by rig, the day on which its walk-round was put off */
  walkRoundPutOff: z._default(z.record(z.string(), z.string()), {}),
});
export type Preferences = z.infer<typeof Preferences>;
