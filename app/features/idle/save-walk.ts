/** What the idle bench saves: a symptom of the blip, or a walk with what the card says after it. */
import { data, redirect } from "react-router";
import { Change } from "#core/log/schema.ts";
import { SYMPTOMS } from "#core/log/symptom-names.ts";
import { adviceGroups, buildOfCarburettor, cylindersFedBy } from "#core/rig/carburettors.ts";
import { humidAirFromLog, rigFromBuild } from "#core/rig/from-build.ts";
import { openRig, type OpenRig } from "#app/journal/open-rig.ts";
import { refused, saveEntries, saveEntry } from "#app/journal/save.ts";
import { dropDraft, keepDraft, readDraft } from "#app/store/drafts.ts";
import { benchOf, FRESH_IDLE, IdleDraft, idleReading, type IdleSent } from "./form.ts";
import { missingWords } from "./words.ts";

const DRAFT = "idle";

/** The air that the bench stands in: the newest read, else the baseline's. */
export const benchAir = ({ present, build }: Pick<OpenRig, "present" | "build">) =>
  present.air ? humidAirFromLog(present.air) : rigFromBuild(build).baseline.air;

/** @returns the walk as it was left, or a fresh one */
export const readWalk = async (rigId: string): Promise<IdleDraft> =>
  (await readDraft(IdleDraft, rigId, DRAFT)) ?? FRESH_IDLE;

export const keepWalk = (rigId: string, draft: IdleDraft): Promise<void> => keepDraft(rigId, DRAFT, draft);

type Sent<I extends IdleSent["intent"]> = Extract<IdleSent, { intent: I }>;
const mark = ({ simulated }: IdleSent) => (simulated ? { simulated: true } : {});

export async function saveSymptom(rigId: string, sent: Sent<"symptom">) {
  const { symptom } = sent;
  const reading = { type: "symptom" as const, zone: SYMPTOMS[symptom].zone, symptom };
  const problem = await saveEntry(rigId, "look", { reading, ...mark(sent) });
  return problem ? refused(problem, 507) : data({ saved: symptom });
}

export async function saveWalk(rigId: string, sent: Sent<"log">) {
  const rig = await openRig(rigId);
  const { present, build } = rig;
  const index = Math.min(sent.carburettor, present.settings.length - 1);
  const fitted = present.settings[index] ?? rig.fitted;
  const one = buildOfCarburettor(build, index);
  const bench = benchOf(sent.points, one, fitted, benchAir(rig), present.schools.screw);
  const reading = idleReading(bench, sent.points);
  // Said of one carburettor, and of its cylinder, as soon as they are not all alike.
  const alone = adviceGroups(build, present.settings).length > 1;
  const [cylinder, more] = alone ? cylindersFedBy(build, index) : [];
  const changes = sent.changes.map((change): Change =>
    alone ? { ...change, carburettor: index + 1 } : change,
  );
  if (!reading && changes.length === 0)
    return refused({ message: bench.fit.ok ? "Nothing to save." : missingWords(bench.fit.missing) });
  const whose = cylinder !== undefined && more === undefined ? { cylinder } : {};
  const problem = await saveEntries(rigId, [
    ...(reading ? [{ kind: "look" as const, reading, ...whose, ...mark(sent) }] : []),
    ...(changes.length > 0 ? [{ kind: "fit" as const, changes, because: "advice" as const }] : []),
  ]);
  return problem ? refused(problem, 507) : goOn(rigId, changes);
}

/** With another jet the whole walk begins again; with the screw set a blip tells whether it is right. */
async function goOn(rigId: string, changes: readonly Change[]) {
  if (changes.length === 0) {
    await dropDraft(rigId, DRAFT);
    return redirect(`/rigs/${rigId}`);
  }
  const { round, raised } = await readWalk(rigId);
  const phase = changes.some(({ part }) => part === "pilot") ? "walk" : "blip";
  const next: IdleDraft = { ...FRESH_IDLE, phase, raised, round: round + (phase === "walk" ? 1 : 0) };
  await keepWalk(rigId, next);
  return data({ next });
}
