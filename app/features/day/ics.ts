/** The heats with their cards as a calendar: opens in whatever the phone keeps its days in. */
import type { DayPlan, HeatCard } from "#core/day/plan-day.ts";
import { PARTS } from "#core/log/parts.ts";
import { changesWords } from "#app/vocabulary/changes.ts";
import { PART_NAMES, partValueInFull } from "#app/vocabulary/parts.ts";

interface Calendar {
  readonly plan: DayPlan;
  readonly rig: string;
  readonly place: string;
  /** names the list of heats: sent again it replaces itself */
  readonly id: string;
  readonly madeAt: Date;
}

/** As long before its heat a change is told. */
const WARNS = "-PT30M";

const cardOf = ({ setting }: HeatCard): string =>
  PARTS.filter((part) => part !== "shimMm" || setting.shimMm !== 0)
    .map((part) => `${PART_NAMES[part]}: ${partValueInFull(part, setting[part])}`)
    .join("\n");

/** @returns the text of an iCalendar file (RFC 5545) */
export async function heatsCalendar({ plan, rig, place, id, madeAt }: Calendar): Promise<string> {
  const { default: ICAL } = await import("ical.js");
  const calendar = new ICAL.Component("vcalendar");
  calendar.addPropertyWithValue("version", "2.0");
  calendar.addPropertyWithValue("prodid", "-//Tamis//heats//EN");
  const utc = (date: Date) => ICAL.Time.fromJSDate(date, true);
  plan.heats.forEach((card, i) => {
    const { heat, changes } = card;
    const start = new Date(heat.at);
    const event = new ICAL.Component("vevent");
    const put = (name: string, value: string | InstanceType<typeof ICAL.Time>) =>
      event.addPropertyWithValue(name, value);
    const first = changes.length > 0 ? `: ${changesWords(changes)}` : ": as it is";
    put("uid", `${id}-${i + 1}@tamis`);
    put("dtstamp", utc(madeAt));
    put("dtstart", utc(start));
    put("dtend", utc(new Date(start.getTime() + heat.minutes * 60_000)));
    put("summary", `${heat.name}${first}`);
    put("description", `${rig}\n${cardOf(card)}`);
    if (place !== "") put("location", place);
    if (changes.length > 0) {
      const alarm = new ICAL.Component("valarm");
      alarm.addPropertyWithValue("action", "DISPLAY");
      alarm.addPropertyWithValue("description", changesWords(changes));
      alarm.addPropertyWithValue("trigger", ICAL.Duration.fromString(WARNS));
      event.addSubcomponent(alarm);
    }
    calendar.addSubcomponent(event);
  });
  return `${calendar.toString()}\r\n`;
}
