/** The taps that every screen of a rig shares: fitted, put back, said better or worse, struck, noted. */
import { data } from "react-router";
import * as z from "zod/mini";
import { VERDICTS, ZoneName } from "#core/log/parts.ts";
import { RIDE_STOPPERS } from "#core/advice/card/ride-stopped.ts";
import { RideReportReading } from "#core/log/readings/ride-report.ts";
import { SYMPTOMS } from "#core/log/symptom-names.ts";
import { NOTE, NoteText } from "./note.ts";
import { newRideId } from "#app/journal/entry-id.ts";
import type { Present } from "#core/log/present.ts";
import { AnswerEntry, Change, EntryId, FaultEntry, FitEntry } from "#core/log/schema.ts";
import { towardsBase, wayBack } from "#app/journal/fit-changes.ts";
import { openRig } from "#app/journal/open-rig.ts";
import { isRefusal } from "#app/journal/rig-action.ts";
import {
  logEntries,
  refusalOfFit,
  refused,
  type ActionProblem,
  type Content,
  readSent,
} from "#app/journal/save.ts";
import { dropDraft } from "#app/store/drafts.ts";

const Taps = z.discriminatedUnion("intent", [
  z.object({
    intent: z.literal("fit"),
    because: z.enum(["advice", "putBack"]),
    changes: z.array(Change).check(z.minLength(1), z.maxLength(30)),
    advised: FitEntry.shape.advised,
  }),
  z.object({
    intent: z.literal("compared"),
    verdict: z.enum(VERDICTS),
    zone: ZoneName,
    putBack: z.boolean(),
  }),
  z.object({ intent: z.literal("toBase") }),
  z.object({ intent: z.literal("strike"), strikes: EntryId, why: z.string().check(z.maxLength(200)) }),
  z.object({
    intent: z.literal("strikeAll"),
    strikes: z.array(EntryId).check(z.minLength(1), z.maxLength(8)),
    why: z.string().check(z.maxLength(200)),
  }),
  z.object({
    intent: z.literal("ride"),
    felt: RideReportReading.shape.felt,
    /** what was said of this ride a moment ago */
    replaces: z.optional(EntryId),
  }),
  /** what stops the riding until somebody has looked */
  z.object({ intent: z.literal("stopped"), symptom: z.enum(RIDE_STOPPERS) }),
  /** a ride and a plug said the opposite of a zone: which of them counts */
  z.object({
    intent: z.literal("settle"),
    right: z.enum(["plug", "ride"]),
    zone: ZoneName,
    ride: EntryId,
    plug: EntryId,
  }),
  z.object({
    intent: z.literal("override"),
    reason: z
      .string()
      .check(z.trim(), z.minLength(1, "Say why: it is printed on the card."), z.maxLength(200)),
  }),
  z.object({
    intent: z.literal("answer"),
    question: AnswerEntry.shape.question,
    is: AnswerEntry.shape.is,
  }),
  z.object({
    intent: z.literal("fault"),
    fault: FaultEntry.shape.fault,
    is: FaultEntry.shape.is,
    cylinder: z.optional(z.int().check(z.gte(1), z.lte(6))),
  }),
  z.object({
    intent: z.literal("note"),
    text: NoteText,
  }),
]);

export type Tap = z.input<typeof Taps>;

/** What was wrong is struck through; a ride keeps what it says of the other zones. */
function settled(
  { right, zone, ride, plug }: Extract<Tap, { intent: "settle" }>,
  { looks }: Present,
): readonly Content[] | ActionProblem {
  const wrong = looks.find(({ entry }) => entry.id === (right === "plug" ? ride : plug));
  if (!wrong) return { message: "That look does not count any more." };
  const strike = {
    kind: "strike" as const,
    strikes: wrong.entry.id,
    why: right === "plug" ? "The plug said otherwise" : "It was felt otherwise",
  };
  const { reading } = wrong.entry;
  if (reading.type !== "rideReport") return [strike];
  const felt = { ...reading.felt };
  delete felt[zone];
  return Object.values(felt).some((one) => one !== undefined)
    ? [strike, { kind: "look", reading: { ...reading, felt } }]
    : [strike];
}

/** @returns what a tap logs, or why it cannot be */
async function contentsOf(rigId: string, tap: Tap): Promise<readonly Content[] | ActionProblem> {
  switch (tap.intent) {
    case "fit": {
      const { changes, because, advised } = tap;
      const fit = { changes, because, ...(advised && { advised }) };
      return refusalOfFit(await openRig(rigId), fit) ?? [{ kind: "fit", ...fit }];
    }
    case "compared": {
      const { openChange } = (await openRig(rigId)).present;
      if (!openChange) return { message: "Nothing has been changed since the last look." };
      const { verdict, zone } = tap;
      const fit = openChange.fits[0]?.id;
      const back = tap.putBack ? wayBack(openChange) : [];
      return [
        { kind: "look", reading: { type: "compared", zone, verdict, ...(fit !== undefined && { fit }) } },
        ...(back.length > 0 ? [{ kind: "fit" as const, changes: back, because: "putBack" as const }] : []),
      ];
    }
    case "toBase": {
      const rig = await openRig(rigId);
      const changes = towardsBase(rig.build, rig.present);
      if (changes.length === 0) return { message: "Everything is at its base already." };
      return refusalOfFit(rig, { changes }) ?? [{ kind: "fit", changes, because: "base" }];
    }
    case "override": {
      const { held } = (await openRig(rigId)).present;
      if (held.length === 0) return { message: "Nothing holds the card back any more." };
      return [{ kind: "override", checks: [...held], reason: tap.reason }];
    }
    case "answer":
      return [{ kind: "answer", question: tap.question, is: tap.is }];
    case "fault": {
      const { fault, is, cylinder } = tap;
      return [{ kind: "fault", fault, is, ...(cylinder !== undefined && { cylinder }), note: "" }];
    }
    case "ride": {
      const { felt, replaces } = tap;
      const { looks } = (await openRig(rigId)).present;
      const ride = looks.find(({ entry }) => entry.id === replaces)?.entry.ride ?? newRideId();
      const look = { kind: "look" as const, ride, reading: { type: "rideReport" as const, felt } };
      return replaces === undefined
        ? [look]
        : [look, { kind: "strike", strikes: replaces, why: "Said otherwise" }];
    }
    case "stopped": {
      const { symptom } = tap;
      const { zone } = SYMPTOMS[symptom];
      return [{ kind: "look", reading: { type: "symptom", symptom, zone } }];
    }
    case "settle":
      return settled(tap, (await openRig(rigId)).present);
    case "strikeAll":
      return tap.strikes.map((strikes) => ({ kind: "strike" as const, strikes, why: tap.why }));
    case "strike":
      return [{ kind: "strike", strikes: tap.strikes, why: tap.why }];
    case "note":
      return [{ kind: "note", text: tap.text }];
  }
}

/** @returns the ids of what was logged: a tap by mistake is struck with one more */
export async function runTap(rigId: string, sent: unknown) {
  const read = readSent(Taps, sent);
  if (!read.ok) return read.answer;
  const contents = await contentsOf(rigId, read.sent);
  if (isRefusal(contents)) return refused(contents);
  const logged = await logEntries(rigId, contents);
  if (!logged.ok) return refused(logged.problem, 507);
  if (read.sent.intent === "note") await dropDraft(rigId, NOTE);
  return data({ logged: logged.ids }, { status: 200 });
}
