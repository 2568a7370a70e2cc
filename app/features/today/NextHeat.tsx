import { Link } from "react-router";
import { placeHref } from "#app/frame/places.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { useNow } from "#app/ui/use-now.ts";
import { countdownWords } from "#app/vocabulary/days.ts";

/** A heat further off than this is another day's. */
const SOON_MS = 12 * 3_600_000;

/** The next heat of the day, and the way to its card. */
export function NextHeat() {
  const { header, present } = useRig();
  const nowMs = useNow();
  const next = present.ahead.heats?.heats.find(
    ({ at, minutes }) =>
      Date.parse(at) - nowMs < SOON_MS && countdownWords(Date.parse(at), minutes, nowMs) !== undefined,
  );
  if (!next) return null;
  return (
    <Caution plain>
      {next.name} {countdownWords(Date.parse(next.at), next.minutes, nowMs)}.{" "}
      <Link to={placeHref(header.id, "day")}>The card for each heat</Link> uses the air that is coming.
    </Caution>
  );
}
