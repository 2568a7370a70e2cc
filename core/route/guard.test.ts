/**
 * The guard behind all files: whatever a spoilt file says, no one-tap change leans the top by more than the air between
 * its least and its most believable state explains. Held against the engine in the air that was really read: eight
 * files of each kind here, 200 with `npm run test:long`.
 */
import { runs } from "../__tests__/long.ts";
import { air, at, build, lookWith } from "../__tests__/entries.ts";
import { adviseOn } from "../advice/card/advise.ts";
import { airOf, groupOf, judgeOf, openCase } from "../advice/judge/case.ts";
import { airSource } from "../day/air-source.ts";
import { dayAnswer } from "../day/day-answer.ts";
import { seededRandom } from "../numbers/random.ts";
import type { Entry, ForecastEntry, Setting } from "../log/schema.ts";
import { routeAnswer } from "./route-answer.ts";

const FILES = runs("TAMIS_LOGS", 8, 200);
const HOME = { temperatureK: 288.15, pressurePa: 98_000 };
const rig: readonly Entry[] = [build("08:00"), { ...air("0001", "08:30", HOME), elevationM: 280 } as Entry];
/** The next day: no reading tells how far its forecast is off. */
const TOMORROW = "2026-05-24";
const HEAT_AT = at("14:00", TOMORROW);

/** How lean the top is with a setting, by all that is known without the file, in the air that will be there. */
function leanIn(setting: Setting, ms: number): { lean: number; most: number } {
  const open = openCase(rig);
  const group = groupOf(open, 0);
  const source = airSource(open.present, open.build, { elevationM: 280, fromMs: ms, toMs: ms });
  const { air: there, lnDrySd } = source.airAt(ms, 280);
  const { mean } = judgeOf(open, group, there).judge(setting).zones.top;
  return { lean: mean, most: 0.02 + Math.sqrt(3) * lnDrySd * 1.2 };
}

/** A receiver's file whose heights are shifted, in feet, or of another ride. */
function spoiltRoute(seed: number): Entry {
  const random = seededRandom(seed);
  const [factor, shift] = [1 + 3 * random.uniform(), 4000 * random.uniform() ** 2];
  return {
    id: "route:0001",
    at: at("09:00"),
    kind: "route",
    name: "Way",
    startAt: HEAT_AT,
    points: Array.from({ length: 50 }, (_, i) => ({
      alongM: 200 * i,
      elevationM: Math.min(5000, shift + factor * (280 + 10 * i)),
      seconds: 20 * i,
    })),
  };
}

/** A forecast with a column in another unit, or pressure taken for what it is not. */
function spoiltDay(seed: number): Entry[] {
  const random = seededRandom(seed);
  const [hotter, thinner] = [30 * random.uniform(), 1 - 0.15 * random.uniform()];
  const hours = Array.from({ length: 24 }, (_, hour): ForecastEntry["hours"][number] => ({
    at: at(`${String(hour).padStart(2, "0")}:00`, TOMORROW),
    temperatureK: 288.15 + hotter,
    humidity: { kind: "relative", fraction: 0.4 },
    pressure: { kind: "station", pressurePa: 98_000 * thinner },
  }));
  return [
    {
      id: "forecast:0001",
      at: at("20:00"),
      kind: "forecast",
      place: "",
      elevationM: 280,
      file: "x.csv",
      hours,
    },
    {
      id: "heats:0001",
      at: at("09:00"),
      kind: "heats",
      place: "",
      elevationM: 280,
      heats: [{ name: "Heat", at: HEAT_AT, minutes: 20 }],
    },
  ];
}

/** A logger's file whose probe was cold, or whose column was another's. */
function spoiltLog(seed: number): Entry[] {
  const random = seededRandom(seed);
  const lambda = 0.5 + 0.45 * random.uniform();
  const file: Entry = {
    id: "import:0001",
    at: at("10:00"),
    kind: "import",
    file: "x.csv",
    rows: 100,
    seconds: 60,
  };
  const logged = { seconds: 20, spread: 0.02 };
  return [
    file,
    ...(["mid", "top"] as const).map((zone) =>
      lookWith(`${zone}01`, "10:00", { type: "lambda", zone, lambda, sensor: "inside", logged }),
    ),
  ];
}

const seeds = Array.from({ length: FILES }, (_, i) => 9000 + i);

describe("a spoilt file", () => {
  it("of a way leans nothing in one tap that the air does not explain", () => {
    let asked = 0;
    for (const seed of seeds) {
      const { plan, unexplained } = routeAnswer(openCase([...rig, spoiltRoute(seed)]), "route:0001");
      if (unexplained) {
        expect(unexplained.by).toBe("heights");
        asked += 1;
        continue;
      }
      const { lean, most } = leanIn(plan.setting, Date.parse(HEAT_AT));
      expect({ seed, lean, most, over: lean > most }).toMatchObject({ over: false });
    }
    expect(asked).toBeGreaterThan(0);
    expect(asked).toBeLessThan(FILES);
  });

  it("of a forecast leans nothing in one tap that the air does not explain", () => {
    let asked = 0;
    for (const seed of seeds) {
      const answer = dayAnswer(openCase([...rig, ...spoiltDay(seed)]));
      if (answer?.unexplained[0]) {
        asked += 1;
        continue;
      }
      const { lean, most } = leanIn(answer?.plan.heats[0]?.setting as Setting, Date.parse(HEAT_AT));
      expect({ seed, lean, most, over: lean > most }).toMatchObject({ over: false });
    }
    expect(asked).toBeGreaterThan(0);
    expect(asked).toBeLessThan(FILES);
  });

  it("of a logger leans nothing in one tap that was not to be believed of this engine", () => {
    const without = openCase(rig);
    const group = groupOf(without, 0);
    const before = judgeOf(without, group, airOf(without.present.air, group.frame));
    let asked = 0;
    for (const seed of seeds) {
      const open = openCase([...rig, ...spoiltLog(seed)]);
      const advice = adviseOn(open);
      const asks = advice.warnings.find((warning) => warning.code === "fileLeansTop");
      if (asks) {
        expect(asks.file).toBe("x.csv");
        asked += 1;
        continue;
      }
      if (advice.next.kind !== "fit") continue;
      const { mean, sd } = before.judge(advice.card.setting).zones.top;
      expect({ seed, over: mean - 2 * sd > 0.02 + 1e-9 }).toMatchObject({ over: false });
    }
    expect(asked).toBeGreaterThan(0);
    expect(asked).toBeLessThan(FILES);
  });
});

describe("a file that says what is so", () => {
  it("asks nothing: the way home, a forecast like the air, a probe that says what plugs said", () => {
    const way = spoiltRoute(1);
    if (way.kind !== "route") throw new Error("no way");
    const points = way.points.map((point, i) => ({ ...point, elevationM: 280 - i }));
    const home = routeAnswer(openCase([...rig, { ...way, points }]), "route:0001");
    expect(home.unexplained).toBeUndefined();
    const [forecast, heats] = spoiltDay(1);
    if (forecast?.kind !== "forecast" || !heats) throw new Error("no forecast");
    const hours = forecast.hours.map((hour) => ({
      ...hour,
      temperatureK: 290.15,
      pressure: { kind: "station" as const, pressurePa: 98_000 },
    }));
    expect(dayAnswer(openCase([...rig, { ...forecast, hours }, heats]))?.unexplained).toEqual([undefined]);
  });
});
