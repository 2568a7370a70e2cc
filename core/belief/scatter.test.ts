/** A reader who scatters more than usual is found out, one who does not is left alone. */
import { fold } from "../log/fold.ts";
import { runs } from "../__tests__/long.ts";
import { seededRandom } from "../numbers/random.ts";
import { drawReader } from "../simulator/reader.ts";
import { drawRealEngine, drawWeather } from "../simulator/real-engine.ts";
import { Bench } from "../simulator/trial.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { replay } from "./replay.ts";

const ENGINES = runs("TAMIS_LOGS", 20, 100);
const KIND = { proven: "measured", heavyTails: false, airSensitivitySd: 0 } as const;

/** Four jets, three plugs and a figure on each: what the sensor says is what the plugs are held against. */
function dayOf(seed: number, plugSd: number) {
  const random = seededRandom(seed);
  const engine = drawRealEngine(ENDURO_BUILD, KIND, random);
  const careful = drawReader(random);
  const reader = { ...careful, plug: { ...careful.plug, sd: plugSd } };
  const bench = new Bench(engine, drawWeather(random), reader, random);
  for (const main of [160, 165, 170, 175]) {
    bench.fit([{ part: "main", to: main }], "own");
    bench.lambda(["top"], 4);
    for (let plug = 0; plug < 3; plug += 1) bench.plug("top");
  }
  return replay(fold(bench.entries));
}

const scattersOf = (plugSd: number) =>
  Array.from({ length: ENGINES }, (_, i) => dayOf(5100 + i, plugSd).scatter.get("reader") ?? 1);

describe("the scatter of an instrument", () => {
  it("is learnt where plugs scatter two and a half times as much as they should", () => {
    const found = scattersOf(2.5 * 0.03);
    expect(found.filter((factor) => factor > 1).length).toBeGreaterThanOrEqual(0.8 * ENGINES);
  });

  it("is left as usual where they scatter as they should, and for other instruments beside", () => {
    expect(scattersOf(0.03).filter((factor) => factor > 1).length).toBeLessThanOrEqual(0.05 * ENGINES);
    expect([...dayOf(5100, 2.5 * 0.03).scatter.keys()]).toEqual(["reader"]);
  });

  it("leaves more doubt of what such a reader alone has seen", () => {
    const [wide, usual] = [dayOf(5101, 2.5 * 0.03), dayOf(5101, 0.03)];
    expect(wide.scatter.get("reader")).toBe(2.5);
    const sdOf = ({ outcomes }: typeof wide) => outcomes.at(-1)?.weight ?? NaN;
    expect(sdOf(wide)).toBeLessThan(sdOf(usual));
  });
});
