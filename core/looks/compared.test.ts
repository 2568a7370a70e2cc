import { seededRandom } from "../numbers/random.ts";
import { air, at, build, fit, lookWith } from "../__tests__/entries.ts";
import { advise } from "../advice/card/advise.ts";
import { fold } from "../log/fold.ts";
import type { Entry } from "../log/schema.ts";
import { VERDICTS, type ComparedVerdict } from "../log/parts.ts";
import { comparedLikelihood } from "./compared.ts";

describe("better, the same, or worse", () => {
  it("share certainty between them, wherever the engine stands", () => {
    for (const m of [-0.12, -0.03, 0, 0.05, 0.2])
      for (const moved of [-0.06, 0.02, 0.1]) {
        const total = VERDICTS.reduce(
          (sum, verdict) => sum + Math.exp(comparedLikelihood(verdict, moved).log(m)),
          0,
        );
        expect(total).toBeCloseTo(1, 9);
      }
  });
  it("agree with a hand that feels power fall with the square of the error", () => {
    const random = seededRandom(31);
    const [moved, m] = [0.05, 0.06];
    const gain = (m - moved / 2) ** 2 - (m + moved / 2) ** 2;
    const counts: Record<ComparedVerdict, number> = { better: 0, same: 0, worse: 0 };
    const draws = 40_000;
    for (let i = 0; i < draws; i += 1) {
      const felt = gain + 0.004 * random.normal();
      const by = random.uniform() < 0.03 ? VERDICTS[Math.floor(3 * random.uniform())] : undefined;
      counts[by ?? (felt > 0.0027 ? "better" : felt < -0.0027 ? "worse" : "same")] += 1;
    }
    for (const verdict of VERDICTS)
      expect(Math.exp(comparedLikelihood(verdict, moved).log(m))).toBeCloseTo(counts[verdict] / draws, 2);
  });
  it("say nothing where nothing was moved, and point where the change should have gone", () => {
    const idle = comparedLikelihood("better", 0);
    expect(idle.log(0.1)).toBeCloseTo(idle.log(-0.1), 12);
    expect(comparedLikelihood("better", -0.04).reads).toBeGreaterThan(0);
    expect(comparedLikelihood("worse", -0.04).reads).toBeLessThan(0);
    expect(comparedLikelihood("same", 0.04).reads).toBe(0);
    expect(() => comparedLikelihood("same", NaN)).toThrow("must be a finite number");
  });
  it("surprise where the opposite was all but certain", () => {
    expect(comparedLikelihood("better", 0.08).tail(0.12, 0.0001)).toBeLessThan(0.005);
    expect(comparedLikelihood("worse", 0.08).tail(0.12, 0.0001)).toBeGreaterThan(0.3);
  });
});

describe("a verdict on the open change", () => {
  const compared = (verdict: ComparedVerdict): Entry =>
    lookWith("said", "10:00", { type: "compared", zone: "top", verdict });
  const start = [build(), air("0001", "08:30"), fit("0001", "09:00", 152)];
  const top = (entries: Entry[]) => advise(entries).zones[3]?.mean ?? NaN;

  it("leans the belief towards where the change went when it was better, away when worse", () => {
    // 152 instead of the baseline's jet is leaner: better means it had been rich.
    const [better, same, worse] = VERDICTS.map((verdict) => top([...start, compared(verdict)]));
    expect(better).toBeLessThan(same ?? NaN);
    expect(worse).toBeGreaterThan(same ?? NaN);
  });
  it("ends the change; put back after it opens none", () => {
    const said = [...start, compared("worse")];
    expect(fold(said).openChange).toBeUndefined();
    const back: Entry = {
      id: "fit:back",
      at: at("10:01"),
      kind: "fit",
      changes: [{ part: "main", to: 165 }],
      because: "putBack",
    };
    expect(fold([...said, back])).toMatchObject({ openChange: undefined, setting: { main: 165 } });
  });
});

describe("what else is on a plug", () => {
  const plug = (findings: ("wet" | "glazed" | "specks" | "oily")[]): Entry =>
    lookWith("found", "10:00", {
      type: "plug",
      zone: "top",
      tone: "umber",
      cut: "clean",
      colderSteps: 0,
      findings,
    });
  const start = [build(), air("0001", "08:30")];
  it("stops everything for specks of metal, until a newer plug has none", () => {
    expect(advise([...start, plug(["specks"])]).next).toMatchObject({ kind: "stop", because: "specks" });
    const newer = lookWith("clean", "11:00", {
      type: "plug",
      zone: "top",
      tone: "biscuit",
      cut: "clean",
      colderSteps: 0,
    });
    expect(advise([...start, plug(["specks"]), newer]).next.kind).not.toBe("stop");
  });
  it("counts a tone under glaze, oil or fuel for little, and says so", () => {
    const mean = (entries: Entry[]) => advise(entries).zones[3]?.mean ?? NaN;
    const [none, clear, covered] = [
      mean(start),
      mean([...start, plug([])]),
      mean([...start, plug(["glazed"])]),
    ];
    expect(Math.abs(covered - none)).toBeLessThan(0.7 * Math.abs(clear - none));
    expect(advise([...start, plug(["oily"])]).warnings).toContainEqual({
      code: "plugFinding",
      finding: "oily",
    });
  });
});
