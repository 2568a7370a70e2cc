/** A forecast that was read and looked through on the screen is kept. */
import { placeHref } from "#app/frame/places.ts";
import { rigAction, shownAt } from "#app/journal/rig-action.ts";
import { ForecastSent } from "./form.ts";

export const clientLoader = shownAt("day");

export const clientAction = rigAction({
  codec: ForecastSent,
  form: "forecast",
  what: "This forecast",
  entries: ({ simulated, ...forecast }) => [
    { kind: "forecast", ...forecast, ...(simulated && { simulated }) },
  ],
  then: (rigId) => placeHref(rigId, "day"),
});
