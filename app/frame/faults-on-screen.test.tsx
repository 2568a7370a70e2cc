/** Faults, the one question and what was learnt, as a tuner meets them. */
import { fireEvent, render, screen, waitFor } from "@testing-library/react";
import { createRoutesStub } from "react-router";
import { advise, type Advice } from "#core/advice/card/advise.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { FAULT_NAMES } from "#core/log/fault-names.ts";
import { QUESTION_NAMES } from "#core/log/question-names.ts";
import { SYMPTOM_NAMES, SYMPTOMS } from "#core/log/symptom-names.ts";
import type { Reason } from "#core/faults/likelihood-ratios.ts";
import type { Entry } from "#core/log/schema.ts";
import { air, at, build, fitPart, lookWith, plug } from "../../core/__tests__/entries.ts";
import { becauseWords, ELSE_TELLS, FAULT_WORDS, faultName, reasonWords } from "#app/vocabulary/faults.ts";
import { QUESTION_WORDS } from "#app/vocabulary/questions.ts";
import { HAND_GROUPS, LOOK_ALIKES, SYMPTOM_WORDS } from "#app/vocabulary/symptoms.ts";
import { nextWords } from "#app/vocabulary/next.ts";
import { offsetWords, scatterWords, worthWords } from "#app/vocabulary/instruments.ts";
import { claimWords, doubtedWords } from "#app/vocabulary/proven.ts";
import { FaultPanel } from "./FaultPanel.tsx";
import { OneQuestion } from "#app/features/today/OneQuestion.tsx";
import { Learnt } from "#app/features/why/Learnt.tsx";
import type { RigContext } from "./use-rig.ts";

const RIG = "rig:demo-enduro";
const lambda = (id: string, zone: "idle" | "mid", error: number): Entry =>
  lookWith(id, "09:00", {
    type: "lambda",
    zone,
    lambda: ENDURO_BUILD.targetLambda[zone] * Math.exp(error),
    sensor: "inside",
  });
const start = [
  build("08:00", { baseline: { ...ENDURO_BUILD.baseline, proven: "measured" } }),
  air("0001", "08:30", { temperatureK: 288.15, pressurePa: 101_325 }),
];
const hangs = lookWith("hang", "09:10", { type: "symptom", zone: "idle", symptom: "hangsHigh" });
const leaking = [...start, lambda("idle", "idle", 0.17), lambda("mid1", "mid", 0.03), hangs];
const deaf: Entry = {
  id: "answer:deaf",
  at: at("09:20"),
  kind: "answer",
  question: "screwMatters",
  is: "no",
};

function show(element: (context: RigContext) => React.ReactNode, advice: Advice, sent = jest.fn(() => ({}))) {
  const context = { header: { id: RIG }, advice, working: false } as unknown as RigContext;
  const Stub = createRoutesStub([
    { path: "/", Component: () => <>{element(context)}</> },
    {
      path: "/rigs/:rigId",
      action: async ({ request }) => {
        sent(...([await request.json()] as unknown as []));
        return {};
      },
      Component: () => null,
    },
  ]);
  render(<Stub />);
  return sent;
}

describe("a fault on screen", () => {
  it("says what speaks for it, what else would tell, and leads to its check", async () => {
    show((context) => <FaultPanel context={context} />, advise(leaking));
    expect((await screen.findAllByText(/air leak|pilot circuit/i)).length).toBeGreaterThan(0);
    expect(screen.getAllByText(/^For it: The looks fit it better than any jetting/).length).toBeGreaterThan(
      0,
    );
    expect(screen.getAllByText(/^What else would show it/).length).toBeGreaterThan(0);
    expect(screen.getAllByRole("link", { name: /^Look at/ })[0]).toHaveAttribute(
      "href",
      expect.stringContaining(`/rigs/${RIG}/walk-round/`),
    );
  });
  it("logs 'it was this' and 'it was not' of the one that is tapped", async () => {
    const advice = advise(leaking);
    const [first] = advice.faults;
    const sent = show((context) => <FaultPanel context={context} />, advice);
    const name = first ? faultName(first) : "";
    fireEvent.click(await screen.findByRole("button", { name: `It was not ${name}` }));
    await waitFor(() =>
      expect(sent).toHaveBeenCalledWith({ intent: "fault", fault: first?.fault, is: "notThis" }),
    );
  });
  it("is not there for an engine that only wants another jet", () => {
    const { container } = render(<FaultPanel context={{ advice: advise(start) } as unknown as RigContext} />);
    expect(container).toBeEmptyDOMElement();
  });
  it("stands in the headline once it is looked for first", () => {
    const found: Entry = {
      id: "check:leak",
      at: at("09:30"),
      kind: "check",
      check: "airLeaks",
      state: "notes",
      measured: {},
      findings: ["bootCracked"],
      note: "",
    };
    const { title, reason } = nextWords(advise([...leaking, deaf, found]));
    expect(title).toBe("Check this first: an air leak");
    expect(reason).toMatch(
      /^This does not look like jetting: .* the intake’s seal before anything is jetted/,
    );
  });
});

describe("the one question", () => {
  it("is asked after a symptom, answered in one tap, and left for later in one", async () => {
    const advice = advise([...start, hangs]);
    const question = advice.question;
    if (question === undefined) throw new Error("a symptom must ask its question");
    const sent = show((context) => <OneQuestion context={context} />, advice);
    expect(await screen.findByText(QUESTION_WORDS[question].text)).toBeInTheDocument();
    fireEvent.click(screen.getByRole("button", { name: QUESTION_WORDS[question].no }));
    await waitFor(() => expect(sent).toHaveBeenCalledWith({ intent: "answer", question, is: "no" }));
    fireEvent.click(screen.getByRole("button", { name: "Not now" }));
    expect(screen.queryByText(QUESTION_WORDS[question].text)).not.toBeInTheDocument();
  });
});

describe("what was learnt", () => {
  const groove = (id: string, time: string, clip: number, error: number): Entry[] => [
    fitPart(id, `${time}:10`, "clip", clip),
    ...["12", "14"].map((minute) => ({
      ...lambda(`${id}-${minute}`, "mid", error),
      at: at(`${time}:${minute}`),
    })),
  ];
  const doubled = [
    ...start,
    ...groove("g1", "10", 5, -0.2),
    ...groove("g2", "11", 1, 0.21),
    ...groove("g3", "12", 4, -0.1),
  ];
  it("is said in this engine's own terms", async () => {
    const advice = advise(doubled);
    show(() => <Learnt advice={advice} />, advice);
    expect(await screen.findByText(/^A groove is \d+(\.\d)? % here, not \d+(\.\d)?$/)).toBeInTheDocument();
    expect(screen.getByText(/so far off was it not measured right/)).toBeInTheDocument();
    expect(screen.getByText(/λ sensor(: no error found so far| reads)/)).toBeInTheDocument();
  });
  it("leaves nobody with an open instrument: what would tell is named", async () => {
    const advice = advise([build(), ...start.slice(1), plug("0001", "09:00", "top", "cocoa")]);
    show(() => <Learnt advice={advice} />, advice);
    expect(await screen.findByText(/To check it, use one λ figure/)).toBeInTheDocument();
    expect(screen.getByText(/do what we calculated/)).toBeInTheDocument();
  });
  it("says how well the book fits, and when it does not", () => {
    expect(claimWords({ how: "book", chance: 0.84 })).toBe(
      "The maker’s setting fits this engine: likely (84 %)",
    );
    expect(doubtedWords({ how: "ranWell", chance: 0.12 })).toMatch(
      /^The setting that ran well probably does not fit this engine \(88 %\)\./,
    );
    expect(scatterWords({ scatter: 2.5 })).toContain("2.5 times as much as usual");
  });
  it("of an instrument is said in tones or per cent, whose it is, and which way", () => {
    const belief = { sd: 0.01, known: true, open: false, scatter: 1 };
    expect(offsetWords({ kind: "reader", mean: -0.03, ...belief })).toBe(
      "Your plugs read half a tone dark (3 % rich)",
    );
    expect(offsetWords({ kind: "lambda", mean: 0.02, name: "garage", ...belief })).toBe(
      "“garage” reads 2 % lean",
    );
    expect(offsetWords({ kind: "ride", mean: 0.005, ...belief })).toBe("Your ride reports read 0.5 % lean");
    expect(
      worthWords({ part: "screwTurns", factor: 1.4, sd: 0.1, learnt: true, notAsMeasured: false }, []),
    ).toBe("A step of the screw is worth 1.4 times what its measures say");
  });
});

describe("the words", () => {
  it("are there for every fault, question and symptom, and every symptom can be tapped", () => {
    for (const name of FAULT_NAMES) {
      expect(FAULT_WORDS[name].does).toMatch(/\.$/);
      expect(ELSE_TELLS[name]).toMatch(/[.?]$/);
    }
    for (const name of QUESTION_NAMES) expect(QUESTION_WORDS[name].text).toMatch(/\?$/);
    const tapped = HAND_GROUPS.flatMap(({ symptoms }) => [...symptoms]);
    expect([...tapped].sort()).toEqual([...SYMPTOM_NAMES].sort());
    for (const name of SYMPTOM_NAMES) expect(SYMPTOM_WORDS[name].length).toBeGreaterThan(3);
    for (const [name, alike] of Object.entries(LOOK_ALIKES)) {
      expect(SYMPTOMS).toHaveProperty(name);
      expect(alike.jetting).not.toBe(alike.other);
    }
  });
  it("tell every kind of reason, for and against", () => {
    const reasons: Reason[] = [
      { kind: "looks", weight: 2 },
      { kind: "symptom", symptom: "drips", weight: 2 },
      { kind: "answer", question: "screwMatters", is: "no", weight: 1 },
      { kind: "plug", finding: "glazed", weight: 1 },
      { kind: "finding", check: "airLeaks", finding: "flangeRing", weight: 3 },
      { kind: "finding", check: "floatHeight", weight: 2 },
      { kind: "passed", check: "airLeaks", weight: -1 },
      { kind: "notThis", weight: -2 },
      { kind: "wasOnce", weight: 0.7 },
    ];
    expect(new Set(reasons.map(reasonWords)).size).toBe(reasons.length);
    const words = becauseWords({ because: reasons });
    expect(words.for).toContain("“No, or hardly”");
    expect(words.against).toMatch(/passed on the walk-round; it was looked for and not found$/);
  });
});
