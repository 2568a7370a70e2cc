/**
 * Whatever the schema of a look lets in is answered: readings drawn at its own edges, several of one kind meeting each
 * other at two settings. A rig that fails on one of them would have no advice at all. Five logs a kind here, 150 with
 * `npm run test:long`.
 */
import { edgeOf } from "../../__tests__/edges.ts";
import { runs } from "../../__tests__/long.ts";
import { air, at, build, fit } from "../../__tests__/entries.ts";
import type { Entry } from "../../log/schema.ts";
import { LookEntry } from "../../log/schema.ts";
import { Reading } from "../../log/readings/reading.ts";
import { seededRandom } from "../../numbers/random.ts";
import { ENDURO_BUILD } from "../../../demo/enduro-build.ts";
import { adviseOn } from "./advise.ts";
import { openCase } from "../judge/case.ts";

const LOGS = runs("TAMIS_LOGS", 5, 150);
const heat = {
  exhaust: { top: { targetK: 820, withinK: 15 }, mid: { targetK: 760, withinK: 15 } },
  head: { top: { targetK: 420, withinK: 10 } },
};
const machine = { ...ENDURO_BUILD, heat, engine: { ...ENDURO_BUILD.engine, cylinders: 2 } };

/** Every number anywhere in an answer is one. */
function numbersIn(value: unknown): number[] {
  if (typeof value === "number") return [value];
  if (ArrayBuffer.isView(value)) return [...(value as Float64Array)];
  return typeof value === "object" && value !== null ? Object.values(value).flatMap(numbersIn) : [];
}

const arms = Reading._zod.def.options;
const nameOf = (arm: (typeof arms)[number]): string => {
  const { shape } = arm._zod.def as unknown as { shape?: { type?: { _zod: { def: { values: string[] } } } } };
  return shape?.type?._zod.def.values[0] ?? "reading";
};

describe.each(arms.map((arm) => [nameOf(arm), arm] as const))("looks at the edges: %s", (name, arm) => {
  it("have an answer in finite numbers, whatever they say of each other", () => {
    let looked = 0;
    for (let log = 0; log < LOGS; log += 1) {
      const random = seededRandom(500 * log + name.length);
      // Of one zone and one probe: readings of different ones do not meet.
      const { zone, sensor } = edgeOf(arm, random) as { zone?: string; sensor?: string };
      const looks = Array.from({ length: 4 }, (_, i): Entry[] => {
        const entry = {
          id: `look:edge${i}`,
          at: at(`09:${10 + 10 * i}`),
          kind: "look",
          reading: {
            ...(edgeOf(arm, random) as object),
            ...(zone !== undefined && { zone }),
            ...(sensor !== undefined && { sensor }),
          },
          ...(random.uniform() < 0.3 && { cylinder: 1 }),
        };
        const read = LookEntry.safeParse(entry);
        return read.success ? [read.data] : [];
      }).flat();
      looked += looks.length;
      const entries = [build("08:00", machine), air("0001", "08:30"), fit("0001", "09:15", 158), ...looks];
      const open = openCase(entries);
      const advice = adviseOn(open);
      const { suspects } = open.suspicion;
      const bad = numbersIn([advice.zones, advice.strip, advice.card, advice.next, suspects]).filter(
        (value) => !Number.isFinite(value),
      );
      expect({ name, log, looks: bad.length > 0 ? looks : [], bad }).toMatchObject({ bad: [] });
    }
    expect(looked).toBeGreaterThan(0);
  });
});
