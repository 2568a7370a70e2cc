/**
 * What no screen would send and somebody does: 5000 signs, a name that is none, nothing at all. Each form refuses it
 * at the field it came by, says the rule, and changes nothing.
 */
import { clientAction as air } from "./air/route.tsx";
import { clientAction as balance } from "./balance/route.tsx";
import { clientAction as idleSpeed } from "./idle-speed/route.tsx";
import { clientAction as look } from "./look/route.tsx";
import { clientAction as base } from "./rig/base/route.tsx";
import { clientAction as box } from "./rig/box/route.tsx";
import { clientAction as describe_ } from "./rig/described/route.tsx";
import { usualKnown } from "./rig/new/known.ts";
import { clientAction as newRig } from "./rig/new/route.tsx";
import { clientAction as school } from "./rig/schools/route.tsx";
import { clientAction as teardown } from "./rig/teardown/route.tsx";
import { clientAction as work } from "./rig/work/route.tsx";
import { clientAction as stopwatch } from "./stopwatch/route.tsx";
import { clientAction as check } from "./walk-round/check/route.tsx";
import { clientAction as tapCheck } from "./walk-round/route.tsx";
import { clientAction as tap } from "#app/frame/route.tsx";
import { freshRig, refusal, RIG, sent } from "#app/testing/rig.ts";
import { boxTexts } from "./rig/box/form.ts";
import { buildTexts } from "./rig/described/texts.ts";
import { NOTHING_TYPED } from "./look/kinds.ts";
import { typedLook } from "#app/testing/typed-look.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";

type Action = (args: never) => Promise<unknown>;
type Case = [what: string, action: Action, args: () => unknown, field: string, words: string];

const NOVEL = "n".repeat(5000);
const SHEET = {
  stamp: "A 1",
  source: "",
  setting: { pilot: "45", screwTurns: "1.5", clip: "3", main: "158", shimMm: "0" },
  limits: {},
};
const STEP = { step: "bowl", moved: "out", reads: "", torque: "", note: "", photos: [] };
const CHECK = { state: "pass", measured: {}, limits: {}, findings: [], note: "" };
const asForm = (content: unknown) => {
  const body = new FormData();
  body.set("content", JSON.stringify(content));
  const request = new Request("http://localhost/", { method: "POST", body });
  return { request, params: { rigId: RIG }, context: {} };
};

const CASES: Case[] = [
  ["a note of a novel", tap, () => sent({ intent: "note", text: NOVEL }), "text", "2000 signs"],
  ["a note of nothing", tap, () => sent({ intent: "note", text: " " }), "text", "Write a note"],
  ["a reason of a novel", tap, () => sent({ intent: "override", reason: NOVEL }), "reason", "200"],
  ["words of a novel", work, () => sent({ what: "allCleaned", why: NOVEL }), "why", "2000 signs"],
  ["work that is none", work, () => sent({ what: "magic", why: "" }), "what", "Choose one"],
  ["a place of a novel", air, () => sent({ place: NOVEL }), "place", "60 characters"],
  ["a sheet’s source", base, () => sent({ ...SHEET, source: NOVEL }), "source", "60 signs"],
  ["a sheet’s stamp", base, () => sent({ ...SHEET, stamp: NOVEL }), "stamp", "40 signs"],
  [
    "a sheet’s main jet",
    base,
    () => sent({ ...SHEET, setting: { ...SHEET.setting, main: "5000" } }),
    "main",
    "Must be at most 999",
  ],
  [
    "a groove the needle has not",
    base,
    () => sent({ ...SHEET, setting: { ...SHEET.setting, clip: "9" } }),
    "clip",
    "clip must be in 1..5",
  ],
  [
    "a limit’s source",
    base,
    () => sent({ ...SHEET, limits: { floatLeftMm: { min: "1", max: "2", source: NOVEL } } }),
    "floatLeftMm",
    "60 signs",
  ],
  [
    "a rig’s words",
    describe_,
    () => sent({ ...buildTexts(ENDURO_BUILD), what: "measured", why: NOVEL }),
    "why",
    "2000 signs",
  ],
  ["a first rig’s bore", newRig, () => sent({ ...usualKnown("kart"), boreMm: NOVEL }), "boreMm", "40 signs"],
  ["a box of giants", box, () => sent({ ...boxTexts(ENDURO_BUILD.box), mains: "5000" }), "mains", "999"],
  ["a school that is none", school, () => sent({ order: "backwards" }), "what", "Choose"],
  ["how tight", teardown, () => asForm({ ...STEP, torque: NOVEL }), "torque", "60 signs"],
  ["a teardown’s note", teardown, () => asForm({ ...STEP, note: NOVEL }), "note", "2000 signs"],
  [
    "a check’s note",
    check,
    () => sent({ ...CHECK, note: NOVEL }, { check: "floatHeight" }),
    "note",
    "2000 signs",
  ],
  [
    "a measure of a novel",
    check,
    () => sent({ ...CHECK, measured: { floatLeftMm: NOVEL } }, { check: "floatHeight" }),
    "floatLeftMm",
    "40 signs",
  ],
  ["a tap on no check", tapCheck, () => sent({ check: "horn", state: "pass" }), "check", "Choose"],
  [
    "what is right, with a novel",
    look,
    () => sent(typedLook("proven", { how: "ranWell", note: NOVEL })),
    "proven.note",
    "500 signs",
  ],
  [
    "a tone that is none",
    look,
    () => sent(typedLook("plug", { ...NOTHING_TYPED.plug, tone: "pink" })),
    "plug.tone",
    "Choose one",
  ],
  ["a time of a novel", stopwatch, () => sent({ what: "lap", figure: NOVEL }), "figure", "40 signs"],
  ["an idle of a novel", idleSpeed, () => sent({ what: "pump", figure: NOVEL }), "figure", "0 to 20"],
  [
    "a spread no machine has",
    balance,
    () =>
      sent({
        linkage: "shaft",
        allowedPa: 1e9,
        speed: "idle",
        beforePa: [1, 2],
        afterPa: [1, 2],
        simulated: false,
      }),
    "allowedPa",
    "20000",
  ],
];

describe("hostile forms", () => {
  it.each(CASES)("%s", async (_, action, args, field, words) => {
    await freshRig();
    const { fields = {} } = await refusal(() => action(args() as never));
    expect(Object.keys(fields)).toContain(field);
    expect(fields[field]).toContain(words);
  });
});
