import { readFileSync } from "node:fs";
import { join } from "node:path";
import { changedPaths, correctableChanges, correctedBuilds } from "./corrections.ts";
import { fold } from "./fold.ts";
import { checkSteps, migrate } from "./migrations.ts";
import { checkFileSize, LARGEST_FILE_BYTES, readLogFile } from "./read-file.ts";
import { LOG_VERSION, StoredDay, type Entry, type LogFile } from "./schema.ts";
import type { WorkName } from "./epochs.ts";
import type { CheckName } from "./walk-round-names.ts";
import { ENDURO_BUILD, ENDURO_HEADER } from "../../demo/enduro-build.ts";
import { air, at, build, fit, look, strike } from "../__tests__/entries.ts";

describe("fold", () => {
  it("says what is fitted, what is open and what each look was taken with", () => {
    const present = fold([
      build(),
      air("0001", "08:30"),
      fit("0001", "09:00", 160),
      look("0001", "09:20"),
      fit("0002", "09:40", 158),
    ]);
    expect(present.setting).toMatchObject({ pilot: 45, main: 158 });
    expect(present.looks).toHaveLength(1);
    expect(present.looks[0]).toMatchObject({ setting: { main: 160 }, air: { id: "air:0001" }, build: 0 });
    expect(present.openChange).toMatchObject({
      parts: ["main"],
      before: { main: 160 },
      after: { main: 158 },
    });
  });

  it("has no open change once somebody looked, or once it was put back", () => {
    expect(fold([build(), fit("0001", "09:00", 160), look("0001", "09:20")]).openChange).toBeUndefined();
    expect(fold([build(), fit("0001", "09:00", 160), fit("0002", "09:05", 165)]).openChange).toBeUndefined();
  });

  it("names every part changed since the last look", () => {
    const clip: Entry = {
      id: "fit:0009",
      at: at("09:10"),
      kind: "fit",
      changes: [{ part: "clip", to: 2 }],
      because: "own",
    };
    expect(fold([build(), fit("0001", "09:00", 160), clip]).openChange?.parts).toEqual(["clip", "main"]);
  });

  it("puts the card in order when the newest air came last, and not after a fit", () => {
    expect(fold([build(), look("0001", "08:10"), air("0001", "08:30")]).cardDue).toBe(true);
    expect(fold([build(), air("0001", "08:30"), fit("0001", "09:00", 160)]).cardDue).toBe(false);
  });

  it("does not depend on the order entries were stored in", () => {
    const entries = [build(), air("0001", "08:30"), fit("0001", "09:00", 160), look("0001", "09:20")];
    const derived = (list: Entry[]) => ({ ...fold(list), lines: [] });
    expect(derived([...entries].reverse())).toEqual(derived(entries));
  });

  it("orders by the instant, across clocks with different offsets", () => {
    const earlier = { ...fit("0002", "09:00", 150), at: "2026-05-23T08:59:00+03:00" }; // 07:59 at +02:00
    expect(fold([build("07:00"), fit("0001", "09:00", 160), earlier]).setting?.main).toBe(160);
  });

  it("strikes an entry through, and brings it back when the strike is struck", () => {
    const entries = [build(), fit("0001", "09:00", 160), strike("0001", "09:10", "fit:0001")];
    expect(fold(entries).setting?.main).toBe(165);
    expect(fold(entries).lines.map(({ struck }) => struck)).toEqual([false, true, false]);
    expect(fold([...entries, strike("0002", "09:20", "strike:0001")]).setting?.main).toBe(160);
  });

  it("knows no setting without a build", () => {
    expect(fold([air("0001", "08:30"), look("0001", "09:00")])).toMatchObject({
      setting: undefined,
      looks: [],
    });
  });
});

describe("fold of the rig and its walk-round", () => {
  const check = (id: string, time: string, name: CheckName, state: "pass" | "stop"): Entry => ({
    id: `check:${id}`,
    at: at(time),
    kind: "check",
    check: name,
    state,
    measured: {},
    findings: [],
    note: "",
  });
  const know = (id: string, time: string, checks: CheckName[]): Entry => ({
    id: `override:${id}`,
    at: at(time),
    kind: "override",
    checks,
    reason: "last heat",
  });
  const work = (id: string, time: string, what: WorkName): Entry => ({
    id: `work:${id}`,
    at: at(time),
    kind: "work",
    what,
    why: "",
  });

  it("holds the card back while a check says stop, until somebody says I know or it passes", () => {
    const stop = [build(), check("0001", "08:10", "choke", "stop"), check("0002", "08:12", "cable", "pass")];
    expect(fold(stop)).toMatchObject({ held: ["choke"], overridden: undefined });
    const known = [...stop, know("0001", "08:20", ["choke"])];
    expect(fold(known)).toMatchObject({ held: [], overridden: { checks: ["choke"], reason: "last heat" } });
    expect(fold([...known, check("0003", "08:30", "choke", "stop")]).held).toEqual(["choke"]);
    expect(fold([...known, check("0003", "08:30", "choke", "pass")])).toMatchObject({
      held: [],
      overridden: undefined,
    });
    expect(fold([...known, strike("0001", "08:40", "override:0001")]).held).toEqual(["choke"]);
  });

  it("counts the work that reopens doubts, and which looks came before it", () => {
    const present = fold([
      build(),
      look("0001", "09:00"),
      work("0001", "10:00", "mainCleaned"),
      look("0002", "11:00"),
    ]);
    expect(present.reopenings).toEqual([["main"]]);
    expect(present.looks.map(({ reopenings }) => reopenings)).toEqual([0, 1]);
    expect(fold([build(), work("0001", "10:00", "plugReplaced")]).reopenings).toEqual([[]]);
  });

  it("takes the newest box for the build's, and the newest sheet", () => {
    const box = { pilots: [45], mains: [150, 160], shimsMm: [] };
    const present = fold([build(), { id: "box:0001", at: at("09:00"), kind: "box", box, why: "" }]);
    expect(present.build?.box).toEqual(box);
    expect(present.builds[0]?.build.box).not.toEqual(box);
  });

  it("fits one carburettor or all of them", () => {
    const two = build("08:00", { engine: { ...ENDURO_BUILD.engine, cylinders: 2 }, carburettors: 2 });
    const one: Entry = {
      id: "fit:0001",
      at: at("09:00"),
      kind: "fit",
      changes: [{ part: "main", to: 160, carburettor: 2 }],
      because: "own",
    };
    const present = fold([two, one]);
    expect(present.settings.map(({ main }) => main)).toEqual([165, 160]);
    expect(present.setting?.main).toBe(165);
    expect(present.openChange).toMatchObject({
      parts: ["main"],
      before: { main: 165 },
      after: { main: 160 },
    });
    expect(fold([two, one, fit("0002", "09:10", 155)]).settings.map(({ main }) => main)).toEqual([155, 155]);
  });

  it("fits what is right on a carburettor that a later build adds, and keeps what is fitted on the first", () => {
    const later = {
      ...build("10:00", { engine: { ...ENDURO_BUILD.engine, cylinders: 2 }, carburettors: 2 }),
      id: "build:0002",
    };
    const { settings } = fold([build(), fit("0001", "09:00", 160), later]);
    expect(settings.map(({ main }) => main)).toEqual([160, 165]);
  });
});

describe("migrations", () => {
  it("brings a log of version 1 up: what was locked is one of several class rules", () => {
    const old = readFileSync(join(__dirname, "fixtures/log-v1.json"), "utf8");
    const read = readLogFile(old);
    if (!read.ok) throw new Error(read.problem.message);
    expect(read.file.version).toBe(LOG_VERSION);
    const [first, ...rest] = read.file.rigs[0]?.entries ?? [];
    expect(first?.kind === "build" && first.build.rules).toEqual({
      locked: ["shimMm"],
      noWashers: false,
      onePlug: false,
    });
    expect(rest).toHaveLength(13);
    const day = { version: 1, revision: 3, entries: (JSON.parse(old) as LogFile).rigs[0]?.entries };
    const migrated = migrate(day);
    expect(migrated.ok && StoredDay.safeParse(migrated.record).success).toBe(true);
  });

  const steps = [
    {
      to: 2,
      name: "plural",
      up: (r: Record<string, unknown>) => ({ ...r, books: [r["book"]], book: undefined }),
    },
    {
      to: 3,
      name: "count",
      up: (r: Record<string, unknown>) => ({ ...r, count: (r["books"] as unknown[]).length }),
    },
  ];

  it("brings an old record up step by step and leaves the old one as it was", () => {
    const old = { version: 1, book: "needles" };
    expect(migrate(old, checkSteps(steps, 3), 3)).toEqual({
      ok: true,
      record: { version: 3, books: ["needles"], count: 1 },
    });
    expect(old).toEqual({ version: 1, book: "needles" });
    expect(migrate({ version: 2, books: [] }, steps, 3)).toMatchObject({ ok: true, record: { count: 0 } });
  });

  it("refuses gaps when the steps are listed", () => {
    expect(() => checkSteps(steps.slice(1), 3)).toThrow('migration "count" must lead to 2, got 3');
    expect(() => checkSteps(steps, 4)).toThrow("migrations must lead to version 4, got 3");
  });

  it("knows a newer version and no version at all", () => {
    expect(migrate({ version: 9 }, steps, 3)).toEqual({ ok: false, reason: "newer", version: 9 });
    for (const version of [undefined, "1", 0, 1.5])
      expect(migrate({ version }, steps, 3)).toMatchObject({ ok: false, reason: "noVersion" });
  });
});

describe("reading a log file", () => {
  const good = () => ({
    format: "tamis",
    version: LOG_VERSION,
    savedAt: at("18:00"),
    rigs: [{ header: ENDURO_HEADER, entries: [build(), air("0001", "08:30"), look("0001", "09:00")] }],
  });
  const text = (change: (file: ReturnType<typeof good>) => unknown = (file) => file) =>
    JSON.stringify(change(good()));
  const entriesWith = (entry: unknown) =>
    text((file) => ({ ...file, rigs: [{ ...file.rigs[0], entries: [build(), entry] }] }));

  it("reads what was written, with a byte order mark or without", () => {
    expect(readLogFile(text())).toEqual({ ok: true, file: good(), unknown: [] });
    expect(readLogFile(`\uFEFF${text()}`)).toMatchObject({ ok: true });
  });

  const nan =
    '{"id":"look:0001","at":"2026-05-23T09:00:00+02:00","kind":"look","reading":{"type":"lambda","zone":"top","lambda":NaN,"sensor":"inside"}}';
  it.each([
    ["no JSON", "plug: cocoa", "notJson", "is not JSON"],
    ["an empty file", "", "notJson", "is not JSON"],
    ["NaN", `{"format":"tamis","version":1,"rigs":[{"entries":[${nan}]}]}`, "notJson", "NaN"],
    ["JSON of another kind", '{"type":"FeatureCollection"}', "notTamis", "not a Tamis log"],
    ["a list", "[1,2]", "notTamis", "not a Tamis log"],
    [
      "a newer version",
      text((f) => ({ ...f, version: LOG_VERSION + 1 })),
      "newerVersion",
      `is version ${LOG_VERSION + 1}; this Tamis reads up to ${LOG_VERSION}`,
    ],
    ["no version", text((f) => ({ ...f, version: undefined })), "notTamis", "which never was"],
    [
      "__proto__",
      text().replace('"place"', '"__proto__":{"x":1},"place"'),
      "dangerousKey",
      "rigs[0].entries[1].__proto__",
    ],
    ["constructor", text().replace('"place"', '"constructor":1,"place"'), "dangerousKey", "constructor"],
    [
      "an unknown kind",
      entriesWith({ id: "note:0001", at: at("09:00"), kind: "poem" }),
      "unknownKind",
      "rigs[0].entries[1].kind",
    ],
    [
      "an unknown key beside a wrong value",
      entriesWith({ ...air("0001", "09:00"), mood: "good", temperatureK: -1 }),
      "badEntry",
      "rigs[0].entries[1].temperatureK",
    ],
    [
      "a number that is null",
      entriesWith({ ...air("0001", "09:00"), temperatureK: null }),
      "badEntry",
      "rigs[0].entries[1].temperatureK",
    ],
    [
      "a jet of no size",
      entriesWith(fit("0001", "09:00", -5)),
      "badEntry",
      "rigs[0].entries[1].changes[0].to",
    ],
    [
      "an instant that is none",
      entriesWith({ ...look("0001", "09:00"), at: "yesterday" }),
      "badEntry",
      "rigs[0].entries[1].at",
    ],
    [
      "an id used twice",
      text((f) => ({ ...f, rigs: [{ header: ENDURO_HEADER, entries: [build(), build()] }] })),
      "duplicateId",
      "build:0001 is used twice",
    ],
    [
      "a rig used twice",
      text((f) => ({ ...f, rigs: [f.rigs[0], f.rigs[0]] })),
      "duplicateId",
      "rig:demo-enduro is used twice",
    ],
    [
      "no build",
      text((f) => ({ ...f, rigs: [{ header: ENDURO_HEADER, entries: [look("0001", "09:00")] }] })),
      "noBuild",
      "no build entry",
    ],
  ])("refuses %s with its own message", (_, file, reason, words) => {
    const read = readLogFile(file);
    expect(read).toMatchObject({ ok: false, problem: { reason } });
    expect(!read.ok && `${read.problem.where} ${read.problem.message}`).toContain(words);
    expect({}).not.toHaveProperty("x");
  });

  it("refuses a file of 50 MB by its size, unread", () => {
    expect(checkFileSize(50 * 1024 * 1024)).toMatchObject({ reason: "tooLarge" });
    expect(checkFileSize(50 * 1024 * 1024)?.message).toContain(
      "This file has 50 MB; a log has at most 48 MB",
    );
    expect(checkFileSize(LARGEST_FILE_BYTES)).toBeUndefined();
  });
});

describe("a log of version 2", () => {
  const frozen = readFileSync(join(__dirname, "fixtures/log-v2.json"), "utf8");

  it("is read as it was: its baseline is the maker's book, edits that reopened nothing measured better", () => {
    const read = readLogFile(frozen);
    if (!read.ok) throw new Error(read.problem.message);
    expect(read.file.version).toBe(LOG_VERSION);
    const builds = read.file.rigs[0]?.entries.filter((entry) => entry.kind === "build") ?? [];
    expect(builds.length).toBe(1);
    for (const entry of builds) {
      expect(entry.build.baseline.proven).toBe("book");
      expect(entry.corrects).toBe(entry.reopens.length === 0 ? "all" : undefined);
    }
  });

  it("keeps every entry it had", () => {
    const before = JSON.parse(frozen) as { rigs: { entries: { id: string }[] }[] };
    const read = readLogFile(frozen);
    expect(read.ok && read.file.rigs[0]?.entries.map(({ id }) => id)).toEqual(
      before.rigs[0]?.entries.map(({ id }) => id),
    );
  });
});

describe("a log of version 3", () => {
  it("is read as it was: it has no answers and no faults, and loses nothing", () => {
    const frozen = readFileSync(join(__dirname, "fixtures/log-v3.json"), "utf8");
    const before = JSON.parse(frozen) as LogFile;
    const read = readLogFile(frozen);
    if (!read.ok) throw new Error(read.problem.message);
    expect(read.file.version).toBe(LOG_VERSION);
    expect(read.file.rigs).toEqual(before.rigs);
    const present = fold(read.file.rigs[0]?.entries ?? []);
    expect([present.answers, present.faultWords]).toEqual([[], []]);
    expect(present.looks.length).toBeGreaterThan(5);
  });
});

describe("a log of version 4", () => {
  it("is read as it was: no part that is swapped lay in its box", () => {
    const frozen = readFileSync(join(__dirname, "fixtures/log-v4.json"), "utf8");
    const before = JSON.parse(frozen) as LogFile;
    const read = readLogFile(frozen);
    if (!read.ok) throw new Error(read.problem.message);
    expect(read.file.version).toBe(LOG_VERSION);
    expect(read.file.rigs).toEqual(before.rigs);
    const present = fold(read.file.rigs[0]?.entries ?? []);
    expect(present.build?.box.parts).toBeUndefined();
    expect(present.schools.parts).toBe("whereNothingFiner");
  });
});

describe("a log of version 5", () => {
  it("is read as it was: nothing in it was taken by satellites", () => {
    const frozen = readFileSync(join(__dirname, "fixtures/log-v5.json"), "utf8");
    const before = JSON.parse(frozen) as LogFile;
    const read = readLogFile(frozen);
    if (!read.ok) throw new Error(read.problem.message);
    expect(read.file.version).toBe(LOG_VERSION);
    expect(read.file.rigs).toEqual(before.rigs);
    const present = fold(read.file.rigs[0]?.entries ?? []);
    expect(present.air?.position).toBeUndefined();
    expect(present.build?.firing).toBeUndefined();
  });
});

describe("a log of version 6", () => {
  it("is read as it was: it knew nothing of days to come", () => {
    const frozen = readFileSync(join(__dirname, "fixtures/log-v6.json"), "utf8");
    const before = JSON.parse(frozen) as LogFile;
    const read = readLogFile(frozen);
    if (!read.ok) throw new Error(read.problem.message);
    expect(read.file.version).toBe(LOG_VERSION);
    expect(read.file.rigs).toEqual(before.rigs);
    const { ahead } = fold(read.file.rigs[0]?.entries ?? []);
    expect(ahead).toEqual({ places: new Map(), forecasts: [], heats: undefined, routes: [], climates: [] });
  });
});

describe("grades of petrol that were fuels by name", () => {
  it.each([
    ["petrol-e10", { name: "petrol", ethanolPercent: 10 }],
    ["e85", { name: "petrol", ethanolPercent: 85 }],
    ["petrol", { name: "petrol" }],
    ["methanol", { name: "methanol" }],
  ])("%s says what is in it", (name, fuel) => {
    const file = JSON.parse(readFileSync(join(__dirname, "fixtures/log-v8.json"), "utf8")) as {
      rigs: { entries: { kind: string; build?: { fuel: unknown } }[] }[];
    };
    for (const entry of file.rigs[0]?.entries ?? []) if (entry.build) entry.build.fuel = { name };
    const read = readLogFile(JSON.stringify(file));
    if (!read.ok) throw new Error(read.problem.message);
    expect(fold(read.file.rigs[0]?.entries ?? []).build?.fuel).toEqual(fuel);
  });
});

describe("strikes", () => {
  it("hold whatever the clock said when they were made: a strike struck under an earlier clock is struck", () => {
    const struck = strike("0001", "10:00", "note:0001");
    const back = strike("0002", "09:00", "strike:0001");
    const note: Entry = { id: "note:0001", at: at("08:30"), kind: "note", text: "Rain." };
    const lines = fold([build(), note, struck, back]).lines;
    expect(lines.find(({ entry }) => entry.id === "note:0001")?.struck).toBe(false);
    expect(lines.find(({ entry }) => entry.id === "strike:0001")?.struck).toBe(true);
  });
});

describe("what changed between two builds", () => {
  it("is named field by field, down to what can be measured", () => {
    const { carburettor } = ENDURO_BUILD;
    const other = {
      ...ENDURO_BUILD,
      carburettor: { ...carburettor, needleJetMm: 2.7, mainAirJetMm: 0.9 },
      fuel: { name: "petrol" as const, ethanolPercent: 85 },
    };
    expect(changedPaths(ENDURO_BUILD, other).sort()).toEqual([
      "carburettor.mainAirJetMm",
      "carburettor.needleJetMm",
      "fuel.ethanolPercent",
    ]);
    // A tank may have been said late; an old file's "all" never meant it.
    expect(correctableChanges(ENDURO_BUILD, other)).toContain("fuel.ethanolPercent");
    const record = (
      id: string,
      machine: typeof other | typeof ENDURO_BUILD,
      corrects?: "all" | string[],
    ) => ({
      id: `build:${id}`,
      at: at("09:00"),
      kind: "build" as const,
      build: machine,
      reopens: [],
      ...(corrects && { corrects }),
      why: "",
    });
    const first = (corrects: "all" | string[]) =>
      correctedBuilds([record("0001", ENDURO_BUILD), record("0002", other, corrects)])[0]?.fuel;
    expect(first("all")).toEqual(ENDURO_BUILD.fuel);
    expect(first(["fuel.ethanolPercent"])).toEqual(other.fuel);
    // What was in the petrol is no late word on methanol.
    const methanol = { ...other, fuel: { name: "methanol" as const, oilRatio: 20 } };
    expect(correctableChanges(other, methanol).filter((path) => path.startsWith("fuel"))).toEqual([]);
  });

  it("is carried back as far as the old number was held, no further", () => {
    const withJet = (id: string, needleJetMm: number, corrects?: string[]) => ({
      id: `build:${id}`,
      at: at("09:00"),
      kind: "build" as const,
      build: { ...ENDURO_BUILD, carburettor: { ...ENDURO_BUILD.carburettor, needleJetMm } },
      reopens: [],
      ...(corrects && { corrects }),
      why: "",
    });
    const jets = correctedBuilds([
      withJet("0001", 2.68),
      withJet("0002", 2.72),
      withJet("0003", 2.72),
      withJet("0004", 2.71, ["carburettor.needleJetMm"]),
    ]).map(({ carburettor }) => carburettor.needleJetMm);
    expect(jets).toEqual([2.68, 2.71, 2.71, 2.71]);
  });
});

describe("a log of version 7", () => {
  it("is read as it was: its looks name no ride, and nobody was asked how far", () => {
    const frozen = readFileSync(join(__dirname, "fixtures/log-v7.json"), "utf8");
    const before = JSON.parse(frozen) as LogFile;
    const read = readLogFile(frozen);
    if (!read.ok) throw new Error(read.problem.message);
    expect(read.file.version).toBe(LOG_VERSION);
    expect(read.file.rigs).toEqual(before.rigs);
    expect(fold(read.file.rigs[0]?.entries ?? []).schools.howFar).toBe("thorough");
  });
});

describe("a log of version 8", () => {
  it("is read as it was: nobody was asked about a cylinder that differs", () => {
    const frozen = readFileSync(join(__dirname, "fixtures/log-v8.json"), "utf8");
    const before = JSON.parse(frozen) as LogFile;
    const read = readLogFile(frozen);
    if (!read.ok) throw new Error(read.problem.message);
    expect(read.file.version).toBe(LOG_VERSION);
    expect(read.file.rigs).toEqual(before.rigs);
    const { schools, looks } = fold(read.file.rigs[0]?.entries ?? []);
    expect(schools).toMatchObject({ cylinders: "causeFirst", howFar: "raceDay" });
    expect(looks.filter(({ entry }) => entry.ride !== undefined).length).toBeGreaterThan(0);
  });
});
