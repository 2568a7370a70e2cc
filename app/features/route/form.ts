/** A way as it is kept, and the start and speed that a file may lack. */
import * as z from "zod/mini";
import { RouteEntry } from "#core/log/schema.ts";

export const RouteSent = z.object({
  name: RouteEntry.shape.name,
  startAt: RouteEntry.shape.startAt,
  points: RouteEntry.shape.points,
  simulated: z.boolean(),
});
export type RouteSent = z.infer<typeof RouteSent>;
