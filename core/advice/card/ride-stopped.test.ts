import { build, air, fit, lookWith, plug } from "../../__tests__/entries.ts";
import { fold } from "../../log/fold.ts";
import type { Entry } from "../../log/schema.ts";
import { advise } from "./advise.ts";
import { rideStopped, type RideStopper } from "./ride-stopped.ts";

const said = (id: string, time: string, symptom: RideStopper) =>
  lookWith(id, time, { type: "symptom", zone: "top", symptom });
const start = [build(), air("0001", "08:30"), plug("0001", "09:00", "top", "biscuit")];
const stoppedBy = (...after: Entry[]) => rideStopped(fold([...start, ...after]));
const strike = (strikes: string): Entry => ({
  id: "strike:0001",
  at: "2026-05-23T09:20:00+02:00",
  kind: "strike",
  strikes,
  why: "",
});

describe("what stops the riding", () => {
  it.each(["pings", "cutsOutHeldOpen", "seized"] as const)(
    "%s does, until a plug is read; another setting does not clear it",
    (symptom) => {
      expect(stoppedBy()).toBeUndefined();
      expect(stoppedBy(said("went", "09:10", symptom))).toBe(symptom);
      expect(stoppedBy(said("went", "09:10", symptom), fit("0002", "09:20", 170))).toBe(symptom);
      const looked = plug("0002", "09:30", "top", "biscuit");
      expect(stoppedBy(said("went", "09:10", symptom), looked)).toBeUndefined();
      expect(advise([...start, said("went", "09:10", symptom)]).next).toMatchObject({
        kind: "stop",
        because: symptom,
      });
    },
  );

  it("is cleared by a check and by taking it back, but not by a plug that is taken back", () => {
    const seized = said("went", "09:10", "seized");
    const check: Entry = {
      id: "check:0001",
      at: "2026-05-23T09:20:00+02:00",
      kind: "check",
      check: "ignition",
      state: "pass",
      measured: {},
      findings: [],
      note: "",
    };
    expect(stoppedBy(seized, check)).toBeUndefined();
    expect(stoppedBy(seized, { ...check, state: "skipped" })).toBe("seized");
    expect(stoppedBy(seized, strike("look:went"))).toBeUndefined();
    const looked = plug("0002", "09:15", "top", "biscuit");
    expect(stoppedBy(seized, looked, strike("look:0002"))).toBe("seized");
  });

  it("is the gravest of what was said, and does not come of other symptoms", () => {
    expect(stoppedBy(said("a", "09:10", "pings"), said("b", "09:11", "seized"))).toBe("seized");
    expect(
      stoppedBy(lookWith("c", "09:10", { type: "symptom", zone: "mid", symptom: "surges" })),
    ).toBeUndefined();
  });

  it("leaves the way back out of a change that was worse where it pinged: that comes first", () => {
    const worse = lookWith("worse", "09:30", {
      type: "compared",
      zone: "top",
      verdict: "worse",
      fit: "fit:0002",
    });
    const { next } = advise([...start, fit("0002", "09:10", 162), said("went", "09:20", "pings"), worse]);
    expect(next.kind).toBe("putBack");
  });
});
