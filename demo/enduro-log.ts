/** Two days at Col de la Brume with the 250 enduro; the second ends at the pass, on a change that nobody has looked at. */
import { DEMO_COL } from "#core/simulator/mountain-track.ts";
import { ENDURO_BUILD, ENDURO_HEADER } from "./enduro-build.ts";
import { tell, type DemoRig, type StoryPlan } from "./story.ts";

/** Chosen for a lively story that ends on an open change; any other seed is as true. */
export const ENDURO_SEED = 337;

const PLAN: Omit<StoryPlan, "seed"> = {
  header: ENDURO_HEADER,
  build: ENDURO_BUILD,
  described: "Measured on the bench over the winter.",
  where: { place: "Col de la Brume, paddock", elevationM: 1380 },
  lookWith: ["plug", "idleBench", "rideReport"],
  days: [
    {
      before: 1,
      happenings: [
        {
          at: "08:30",
          kind: "base",
          sheet: {
            stamp: "E 38-2",
            source: "own bench, winter",
            setting: ENDURO_BUILD.baseline.setting,
            limits: { floatLeftMm: { min: 15.5, max: 16.5, source: "own bench, winter" } },
          },
        },
        { at: "09:05", kind: "air", weather: { celsius: 13.5, hPa: 861, humidity: 0.78 } },
        { at: "09:05", kind: "follow", steps: 6 },
        { at: "13:20", kind: "air", weather: { celsius: 19, hPa: 860, humidity: 0.6 } },
        { at: "13:20", kind: "follow", steps: 6 },
        {
          at: "17:10",
          kind: "note",
          text: "Dusty from the second gate on. Filter washed and oiled for tomorrow.",
        },
      ],
    },
    {
      before: 0,
      happenings: [
        {
          at: "08:00",
          kind: "walkRound",
          found: {
            ignition: { measured: { plugGapMm: 0.6 }, note: "New plug, same heat range." },
            choke: { measured: { chokeSlackMm: 2 } },
            cable: { measured: { cableSlackMm: 3 } },
            floatHeight: { measured: { floatLeftMm: 16, floatRightMm: 16.1 }, note: "Gasket off." },
            needleAndSeat: {
              state: "notes",
              findings: ["standPipeDrips"],
              note: "Only on a shaking engine: hose routed high.",
            },
            passages: { measured: { mainGoMm: 1.51, mainNoGoMm: 1.53 } },
            pump: { state: "skipped", note: "There is none." },
          },
        },
        { at: "08:40", kind: "air", weather: { celsius: 15, hPa: 864, humidity: 0.7 } },
        { at: "08:40", kind: "follow", steps: 8 },
        { at: "09:40", kind: "looks", zones: ["mid", "top"] },
        { at: "10:20", kind: "follow", steps: 4 },
        { at: "12:48", kind: "air", weather: { celsius: 24, hPa: 863, humidity: 0.46 } },
        { at: "12:50", kind: "follow", steps: 8, endsOnChange: true },
        {
          at: "13:40",
          kind: "air",
          weather: { celsius: 19, hPa: 808, humidity: 0.5 },
          where: { place: "Col de la Brume, the pass", elevationM: 1910 },
        },
        { at: "14:00", kind: "forecast" },
        {
          at: "14:02",
          kind: "route",
          col: DEMO_COL,
          time: "09:00",
        },
      ],
    },
  ],
};

/**
 * @param lastDay - the calendar day the story ends on, `2026-05-23`
 * @param offset - of the place's clock, `+02:00`
 */
export const enduroDemo = (lastDay: string, offset: string, seed: number = ENDURO_SEED): DemoRig =>
  tell({ ...PLAN, seed }, lastDay, offset);
