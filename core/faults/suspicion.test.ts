/** Each fault by its own story, and healthy engines left alone. */
import { TWIN } from "../../demo/other-rigs.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { air, at, build, fitPart, lookWith, plug, twin } from "../__tests__/entries.ts";
import { advise } from "../advice/card/advise.ts";
import type { FaultName } from "../log/fault-names.ts";
import { FAULT_NAMES, reopenedByMending } from "../log/fault-names.ts";
import { QUESTION_NAMES, type QuestionName } from "../log/question-names.ts";
import { SYMPTOMS, type Symptom } from "../log/symptom-names.ts";
import { CHECKS, FINDINGS, type CheckName, type FindingName } from "../log/walk-round-names.ts";
import type { Entry } from "../log/schema.ts";
import { fold } from "../log/fold.ts";
import { CHECK_PLAN } from "../walkround/checks.ts";
import { bestQuestion } from "./best-question.ts";
import { PLUG_WHEN_JETTING, YES_WHEN_JETTING } from "./questions.ts";
import { FAULTS } from "./registry.ts";
import { bestCheck, CHECK_FIRST, checkFirst, namedFaults, NAMED, type Suspect } from "./suspicion.ts";

let made = 0;
const id = () => `test-${String((made += 1)).padStart(4, "0")}`;
const clock = () => `10:${String(made % 60).padStart(2, "0")}`;
const symptom = (name: Symptom): Entry =>
  lookWith(id(), clock(), { type: "symptom", zone: SYMPTOMS[name].zone, symptom: name });
const answer = (question: QuestionName, is: "yes" | "no"): Entry => ({
  id: `answer:${id()}`,
  at: at(clock()),
  kind: "answer",
  question,
  is,
});
const word = (fault: FaultName, is: "mended" | "notThis", time: string): Entry => ({
  id: `fault:${id()}`,
  at: at(time),
  kind: "fault",
  fault,
  is,
  note: "",
});
const check = (
  name: CheckName,
  state: "pass" | "notes" | "stop",
  findings: FindingName[] = [],
  time = "11:30",
): Entry => ({
  id: `check:${id()}`,
  at: at(time),
  kind: "check",
  check: name,
  state,
  measured: {},
  findings,
  note: "",
});
const lambda = (zone: "idle" | "low" | "mid" | "top", error: number, time = clock()): Entry =>
  lookWith(id(), time, {
    type: "lambda",
    zone,
    lambda: ENDURO_BUILD.targetLambda[zone] * Math.exp(error),
    sensor: "inside",
  });

/** A setting that had been read to be right, and the air of its own day: what is off now came since. */
const proven = build("08:00", { baseline: { ...ENDURO_BUILD.baseline, proven: "measured" } });
const home: Entry = {
  ...(air("home", "08:30") as Extract<Entry, { kind: "air" }>),
  temperatureK: 288.15,
  humidity: { kind: "relative", fraction: 0.5 },
  pressure: { kind: "station", pressurePa: 101_325 },
  elevationM: 0,
};
const start = [proven, home];
const faultsOf = (...entries: Entry[]) => advise([...start, ...entries]).faults;
const first = (...entries: Entry[]) => faultsOf(...entries)[0];

describe("a fault is named by its own story", () => {
  it.each<[FaultName, () => Entry[]]>([
    [
      "airLeak",
      () => [lambda("idle", 0.17), lambda("mid", 0.03), symptom("hangsHigh"), answer("screwMatters", "no")],
    ],
    [
      "floatHigh",
      () => [
        lambda("idle", -0.07),
        lambda("mid", -0.04),
        symptom("drips"),
        answer("worseAfterStanding", "yes"),
      ],
    ],
    [
      "floatLow",
      () => [
        lambda("idle", 0.05),
        lambda("mid", 0.07),
        lambda("top", 0.09),
        answer("everywhereAlike", "yes"),
        symptom("surges"),
      ],
    ],
    [
      "chokeOpen",
      () => [
        lambda("idle", -0.18),
        lambda("mid", -0.06),
        symptom("dropsLow"),
        answer("chokeChangesNothing", "yes"),
      ],
    ],
    [
      "pilotBlocked",
      () => [lambda("idle", 0.3), lambda("mid", 0.02), symptom("needsChokeWarm"), symptom("bogs")],
    ],
    [
      "needleJetWorn",
      () => [lambda("low", -0.06), lambda("mid", -0.05), answer("cameSlowly", "yes"), symptom("drinksMore")],
    ],
    [
      "fuelStarvation",
      () => [
        lambda("top", 0.1),
        lambda("mid", 0),
        symptom("cutsOutHeldOpen"),
        answer("comesBackRolledOff", "yes"),
      ],
    ],
    [
      "ignition",
      () => [
        lambda("top", 0.07),
        plug(id(), clock(), "top", "umber"),
        symptom("cutsInAndOut"),
        answer("comesBackRolledOff", "no"),
      ],
    ],
    [
      "plugDead",
      () => [
        plug(id(), clock(), "mid", "umber"),
        plug(id(), clock(), "top", "umber"),
        lambda("mid", 0),
        lambda("top", 0),
        answer("newPlugCures", "yes"),
      ],
    ],
  ])("%s", (fault, story) => {
    const found = first(...story());
    expect(found?.fault).toBe(fault);
    expect(found?.chance).toBeGreaterThan(NAMED);
  });

  it("mainNotAsStamped: the top jumped when that jet went in, and no sooner", () => {
    const jumped = first(
      lambda("top", 0, "09:00"),
      fitPart("jump", "09:30", "main", 167.5),
      lambda("top", 0.16, "10:30"),
      lambda("mid", 0.02, "10:40"),
      answer("beganWithPart", "yes"),
    );
    expect(jumped).toMatchObject({ fault: "mainNotAsStamped", check: "passages", change: { what: "main" } });
  });

  it("mainNotAsStamped from the start: the top was off from the first ride, and jumps once that jet is out", () => {
    const told = [lambda("top", 0.16, "09:00"), lambda("mid", 0.03, "09:10"), lambda("idle", 0, "09:20")];
    const stamped = (...entries: readonly Entry[]) =>
      faultsOf(...entries).find(({ fault }) => fault === "mainNotAsStamped");
    const lean = stamped(...told);
    expect(lean?.chance).toBeGreaterThan(0.05);
    expect(lean?.change).toBeUndefined();
    expect(lean?.chance).toBeLessThan(NAMED);
    const out = fitPart("out", "09:30", "main", 167.5);
    const [jumped] = faultsOf(
      ...told,
      lambda("top", 0.16, "09:25"),
      out,
      lambda("top", -0.09, "10:30"),
      lambda("top", -0.08, "10:40"),
    );
    expect(jumped?.fault).toBe("mainNotAsStamped");
    expect(jumped?.chance).toBeGreaterThan(lean?.chance ?? 1);
    // A part that came in with nothing says nothing of what was there before it.
    const asked = stamped(...told, answer("beganWithPart", "no"));
    expect(asked?.chance).toBeGreaterThan(0.8 * (lean?.chance ?? 1));
  });

  it("partWithoutEffect: a part was changed and what it should do did not come", () => {
    const dead = faultsOf(
      lambda("mid", 0, "09:00"),
      lambda("mid", 0.005, "09:10"),
      fitPart("dead", "09:30", "clip", 5),
      lambda("mid", 0.004, "10:30"),
      lambda("mid", -0.003, "10:40"),
    );
    expect(dead[0]).toMatchObject({ fault: "partWithoutEffect", change: { what: "clip" } });
    const works = faultsOf(
      lambda("mid", 0, "09:00"),
      fitPart("dead", "09:30", "clip", 5),
      lambda("mid", -0.095, "10:30"),
    );
    const chanceOf = (list: typeof works) =>
      list.find(({ fault }) => fault === "partWithoutEffect")?.chance ?? 0;
    expect(chanceOf(dead)).toBeGreaterThan(5 * chanceOf(works));
  });

  it("airJetsDead: another air jet, and nothing moved", () => {
    const drilled = (mm: number) => ({
      ...ENDURO_BUILD,
      baseline: { ...ENDURO_BUILD.baseline, proven: "measured" as const },
      carburettor: { ...ENDURO_BUILD.carburettor, emulsionTubeDrilled: true, mainAirJetMm: mm },
    });
    const described = (time: string, mm: number): Entry => ({
      id: `build:${id()}`,
      at: at(time),
      kind: "build",
      build: drilled(mm),
      reopens: [],
      why: "",
    });
    const entries = [
      described("08:00", 0.8),
      home,
      lambda("top", 0, "09:00"),
      lambda("mid", 0, "09:05"),
      described("09:30", 1.3),
      lambda("top", 0, "10:30"),
      lambda("mid", 0, "10:35"),
    ];
    expect(advise(entries).faults[0]).toMatchObject({ fault: "airJetsDead", change: { what: "airJet" } });
  });

  it("cylinderSeal: which cylinder, and where a rich one is looked for", () => {
    const rig = twin();
    const of = (cylinder: number, zone: "idle" | "mid", error: number): Entry => ({
      ...(lambda(zone, error) as Extract<Entry, { kind: "look" }>),
      cylinder,
    });
    const entries = (error: number) => [
      rig,
      home,
      of(1, "idle", 0),
      of(2, "idle", error),
      of(1, "mid", 0),
      of(2, "mid", 0.8 * error),
      answer("onePipeDiffers", "yes"),
    ];
    expect(advise(entries(-0.13)).faults[0]).toMatchObject({
      fault: "cylinderSeal",
      cylinder: 2,
      check: "passages",
    });
    expect(advise(entries(0.13)).faults[0]).toMatchObject({ fault: "cylinderSeal", check: "airLeaks" });
  });
});

describe("a healthy engine is left alone", () => {
  it("on its own day, with looks that say right, and with one symptom of the mixture", () => {
    for (const entries of [
      [],
      [lambda("idle", 0.01), lambda("mid", -0.01), lambda("top", 0.005)],
      [plug(id(), clock(), "top", "cocoa"), symptom("fourStrokes")],
      [symptom("hangsHigh")],
    ]) {
      const advice = advise([...start, ...entries]);
      expect(advice.named).toEqual([]);
      expect(advice.next.kind).not.toBe("check");
    }
  });
  it("and nobody is asked a question about an engine that showed nothing", () => {
    expect(advise(start).question).toBeUndefined();
    expect(advise([...start, symptom("hangsHigh")]).question).toBeDefined();
  });
});

describe("what the walk-round and the tuner say", () => {
  const story = () => [lambda("idle", 0.17), lambda("mid", 0.03), symptom("hangsHigh")];
  const chanceOf = (fault: FaultName, entries: Entry[]) =>
    faultsOf(...entries).find((one) => one.fault === fault)?.chance ?? 0;

  it("a finding proves, a pass clears, and so does 'it was not'", () => {
    const before = chanceOf("airLeak", story());
    expect(chanceOf("airLeak", [...story(), check("airLeaks", "stop", ["flangeRing"])])).toBeGreaterThan(
      0.95,
    );
    expect(chanceOf("airLeak", [...story(), check("airLeaks", "pass")])).toBeLessThan(0.7 * before);
    expect(chanceOf("airLeak", [...story(), word("airLeak", "notThis", "11:40")])).toBeLessThan(0.4 * before);
  });

  it("a check that is out of its limits counts, though it found nothing by name", () => {
    const rich = () => [lambda("idle", -0.07), lambda("mid", -0.04)];
    expect(chanceOf("floatLow", [...rich(), check("floatHeight", "stop")])).toBeGreaterThan(
      chanceOf("floatLow", rich()),
    );
  });

  it("mended, it is no suspect any more, its doubts are open again, and it may come back", () => {
    const found = [
      ...story(),
      answer("screwMatters", "no"),
      check("airLeaks", "stop", ["flangeRing"], "11:30"),
    ];
    const mended = [...found, check("airLeaks", "pass", [], "11:50"), word("airLeak", "mended", "11:55")];
    expect(chanceOf("airLeak", found)).toBeGreaterThan(CHECK_FIRST);
    // What the leak did speaks for no other fault either.
    for (const { chance } of faultsOf(...mended)) expect(chance).toBeLessThan(0.1);
    const { reopenings } = fold([...start, ...mended]);
    expect(reopenings).toEqual([reopenedByMending("airLeak")]);
    const later = (entry: Entry): Entry => ({ ...entry, at: at("12:30") });
    const again = [...mended, later(symptom("needsChokeWarm")), later(answer("screwMatters", "no"))];
    expect(chanceOf("airLeak", again)).toBeGreaterThan(chanceOf("airLeak", mended));
  });

  it("is over once its check passes that had been found, mended by word or not: from stop, or from a note", () => {
    for (const was of ["stop", "notes"] as const) {
      const found = [...story(), answer("screwMatters", "no"), check("airLeaks", was, [], "11:20")];
      const passed = [...found, check("airLeaks", "pass", [], "11:40")];
      expect(chanceOf("airLeak", passed)).toBeLessThan(0.05);
      // Passed without having been found, it only speaks against it.
      const never = [...story(), answer("screwMatters", "no"), check("airLeaks", "pass", [], "11:40")];
      expect(chanceOf("airLeak", passed)).toBeLessThan(chanceOf("airLeak", never) ?? 0);
    }
  });

  it("holds the plan back only above its bar, and says which check", () => {
    const sure = [...story(), answer("screwMatters", "no"), check("airLeaks", "stop", ["flangeRing"])];
    const { next } = advise([...start, ...sure]);
    expect(next).toMatchObject({ kind: "check", fault: "airLeak", check: "airLeaks" });
    expect(namedFaults({ suspects: [] })).toEqual([]);
  });

  it("names what is likelier than three in ten, twice as likely as the next, and told by two witnesses", () => {
    const because: Suspect["because"] = [
      { kind: "looks", weight: 2 },
      { kind: "symptom", symptom: "hangsHigh", weight: 1 },
    ];
    const suspect = (chance: number, witnesses = 2, change: Partial<Suspect> = {}): Suspect => ({
      fault: "airLeak",
      check: "airLeaks",
      chance,
      because: because.slice(0, witnesses),
      ...change,
    });
    const named = (...suspects: Suspect[]) => namedFaults({ suspects }).map(({ chance }) => chance);
    expect(named(suspect(0.29))).toEqual([]);
    expect(named(suspect(0.31))).toEqual([0.31]);
    expect(named(suspect(0.59, 1))).toEqual([]);
    expect(named(suspect(0.61, 1))).toEqual([0.61]);
    // Two that share their witnesses silence each other no longer; three that do are nobody's story.
    expect(named(suspect(0.31), suspect(0.16))).toEqual([0.31, 0.16]);
    expect(named(suspect(0.16), suspect(0.13))).toEqual([]);
    expect(named(suspect(0.31), suspect(0.2, 1))).toEqual([]);
    const blocked = { fault: "pilotBlocked", check: "passages" } as const;
    const pair = [suspect(0.34), suspect(0.33, 2, blocked)];
    expect(checkFirst({ suspects: pair })).toEqual({
      fault: "airLeak",
      check: "airLeaks",
      chance: expect.closeTo(0.67) as number,
      orElse: "pilotBlocked",
    });
    expect(checkFirst({ suspects: pair.slice(1) })).toBeUndefined();
    // What takes a quarter of the time is looked at first, though it is a little less likely.
    const likelier = [suspect(0.4, 2, blocked), suspect(0.3)];
    expect(bestCheck({ suspects: likelier })).toMatchObject({ fault: "airLeak", orElse: "pilotBlocked" });
  });

  it("words of another season do not count", () => {
    const old = symptom("drips");
    const oldAnswer = answer("worseAfterStanding", "yes");
    const long = [old, oldAnswer].map((entry): Entry => ({ ...entry, at: at("10:00", "2026-01-05") }));
    const begun = start.map((entry): Entry => ({
      ...entry,
      at: entry.at.replace("2026-05-23", "2026-01-04"),
    }));
    const today = lambda("mid", 0);
    const chance =
      advise([...begun, ...long, today]).faults.find(({ fault }) => fault === "floatHigh")?.chance ?? 0;
    expect(chance).toBeLessThan(0.05);
    expect(chanceOf("floatHigh", [old, oldAnswer, today])).toBeGreaterThan(chance);
  });
});

describe("the table of faults", () => {
  it("holds every name once, with chances that are some, checks that are, findings that its checks can find", () => {
    expect(Object.keys(FAULTS)).toEqual([...FAULT_NAMES]);
    for (const kind of Object.values(FAULTS)) {
      expect(kind.prior).toBeGreaterThanOrEqual(0.01);
      expect(kind.prior).toBeLessThanOrEqual(0.04);
      const checks = [kind.check, ...(kind.alsoChecks ?? [])];
      for (const one of checks) expect(CHECKS).toContain(one);
      for (const finding of kind.findings) {
        expect(FINDINGS).toContain(finding);
        const known = Object.values(CHECK_PLAN).some(({ findings }) => finding in findings);
        expect(known).toBe(true);
      }
      for (const chance of [...Object.values(kind.makes), ...Object.values(kind.answers)]) {
        expect(chance).toBeGreaterThan(0);
        expect(chance).toBeLessThan(1);
      }
    }
  });
  it("each can be proved: its own check can find at least one of its findings", () => {
    for (const { name, check: own, findings } of Object.values(FAULTS)) {
      const can = findings.filter((finding) => finding in CHECK_PLAN[own].findings);
      // A worn needle jet is measured: the check has measures, no word for it.
      if (name !== "needleJetWorn") expect({ name, can: can.length > 0 }).toEqual({ name, can: true });
    }
  });
  it("has for each question and each plug a chance on an engine that only wants a jet", () => {
    for (const question of QUESTION_NAMES) expect(YES_WHEN_JETTING[question]).toBeGreaterThan(0);
    for (const chance of Object.values(PLUG_WHEN_JETTING)) expect(chance).toBeLessThan(0.1);
  });
});

describe("the best question", () => {
  const one = { build: ENDURO_BUILD };
  const none = { symptoms: new Map(), answers: new Map() };
  it("is the one whose answer parts what is likely, and none where nothing is open", () => {
    const two = [
      { chance: 0.5, answers: FAULTS.floatHigh.answers },
      { chance: 0.5, answers: FAULTS.needleJetWorn.answers },
    ];
    expect(bestQuestion(two, none, one)).toBe("worseAfterStanding");
    expect(bestQuestion([{ chance: 1, answers: {} }], none, one)).toBeUndefined();
    const asked = { symptoms: new Map(), answers: new Map([["worseAfterStanding" as const, "no"]]) };
    expect(bestQuestion(two, asked, one)).not.toBe("worseAfterStanding");
  });
  it("asks about one pipe only where there are several, and of long pulls only after what they do", () => {
    const seal = [
      { chance: 0.5, answers: { onePipeDiffers: 0.99 } },
      { chance: 0.5, answers: {} },
    ];
    expect(bestQuestion(seal, none, one)).toBeUndefined();
    expect(bestQuestion(seal, none, { build: TWIN.build })).toBe("onePipeDiffers");
    const starved = [
      { chance: 0.5, answers: { onlyLongPulls: 0.99 } },
      { chance: 0.5, answers: {} },
    ];
    expect(bestQuestion(starved, none, one)).toBeUndefined();
    const felt = { ...none, symptoms: new Map([["runsHot" as const, ""]]) };
    expect(bestQuestion(starved, felt, one)).toBe("onlyLongPulls");
  });
});
