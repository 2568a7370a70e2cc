import Button from "@mui/material/Button";
import { useEffect, useMemo, useRef, useState } from "react";
import { data, Outlet, useLocation, useRevalidator } from "react-router";
import * as z from "zod";
import type { Route } from "./+types/rig";
import { VERDICTS, ZoneName } from "#core/log/parts.ts";
import { wayBack } from "#app/rig/fit-changes.ts";
import { AnswerEntry, Change, EntryId, FaultEntry, FitEntry, type AirEntry } from "#core/log/schema.ts";
import { WhichCarburettor } from "#app/card/WhichCarburettor.tsx";
import { Card } from "#app/card/Card.tsx";
import { CardFoot } from "#app/card/CardFoot.tsx";
import { Caution } from "#app/parts/Caution.tsx";
import { Working } from "#app/parts/Working.tsx";
import { HeldCard } from "#app/rig/HeldCard.tsx";
import { lookFaces } from "#app/rig/look-faces.ts";
import { PhoneHead, PhoneNav } from "#app/rig/PhoneFrame.tsx";
import { PhoneCard, Ribbon } from "#app/rig/PhoneDrawers.tsx";
import { Rail } from "#app/rig/Rail.tsx";
import { openRig, refusalOfFit, refused, saveEntries, saveEntry } from "#app/rig/save.ts";
import { Shortcuts } from "#app/rig/Shortcuts.tsx";
import { useAdvice } from "#app/rig/use-advice.ts";
import type { RigContext } from "#app/rig/context.ts";
import { Strip } from "#app/strip/Strip.tsx";
import { dayTitle } from "#app/words/days.ts";
import { airWords } from "#app/words/entries.ts";
import { onChangeElsewhere } from "#app/store/changes.ts";
import { readPreferences } from "#app/store/preferences.ts";
import { warmJudge } from "#app/workers/client.ts";

export async function clientLoader({ params }: Route.ClientLoaderArgs) {
  warmJudge();
  const [rig, preferences] = await Promise.all([openRig(params.rigId), readPreferences()]);
  return { ...rig, preferences };
}

/** A hidden field that carries a small record. */
const json = <T extends z.ZodType>(schema: T) =>
  z.string().transform((text, ctx): z.output<T> => {
    const parsed = schema.safeParse(parsedJson(text));
    if (parsed.success) return parsed.data;
    ctx.addIssue({ code: "custom", message: "What was fitted cannot be read. Type it under Change." });
    return z.NEVER;
  });

function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

const Taps = z.discriminatedUnion("intent", [
  z.object({
    intent: z.literal("fit"),
    because: z.enum(["advice", "putBack"]),
    changes: json(z.array(Change).min(1).max(30)),
    advised: json(FitEntry.shape.advised.unwrap()).optional(),
  }),
  z.object({
    intent: z.literal("compared"),
    verdict: z.enum(VERDICTS),
    zone: ZoneName,
    putBack: z.enum(["yes", "no"]),
  }),
  z.object({ intent: z.literal("strike"), strikes: EntryId, why: z.string().max(200) }),
  z.object({
    intent: z.literal("override"),
    reason: z.string().trim().min(1, "Say why: it is printed on the card.").max(200),
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
    cylinder: z.coerce.number().pipe(z.int().min(1).max(6)).optional(),
  }),
  z.object({ intent: z.literal("note"), text: z.string().trim().min(1, "Write a note first.").max(2000) }),
]);

/** The taps that every screen of a rig shares: fitted, put back, strike, note. */
export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const parsed = Taps.safeParse(Object.fromEntries(await request.formData()));
  if (!parsed.success)
    return refused({ message: parsed.error.issues[0]?.message ?? "This cannot be saved." });
  const tap = parsed.data;
  if (tap.intent === "fit") {
    const { changes, because, advised } = tap;
    const fit = { changes, because, ...(advised && { advised }) };
    const refusal = refusalOfFit(await openRig(params.rigId), fit);
    if (refusal !== undefined) return refused({ message: refusal });
    const problem = await saveEntry(params.rigId, "fit", fit);
    return problem ? refused(problem, 507) : data({}, { status: 200 });
  }
  if (tap.intent === "compared") {
    const { openChange } = (await openRig(params.rigId)).present;
    if (!openChange) return refused({ message: "Nothing has been changed since the last look." });
    const { verdict, zone } = tap;
    const fit = openChange.fits[0]?.id;
    const back = tap.putBack === "yes" ? wayBack(openChange) : [];
    const problem = await saveEntries(params.rigId, [
      { kind: "look", reading: { type: "compared", zone, verdict, ...(fit !== undefined && { fit }) } },
      ...(back.length > 0 ? [{ kind: "fit" as const, changes: back, because: "putBack" as const }] : []),
    ]);
    return problem ? refused(problem, 507) : data({}, { status: 200 });
  }
  if (tap.intent === "override") {
    const { held } = (await openRig(params.rigId)).present;
    if (held.length === 0) return refused({ message: "Nothing holds the card back any more." });
    const problem = await saveEntry(params.rigId, "override", { checks: [...held], reason: tap.reason });
    return problem ? refused(problem, 507) : data({}, { status: 200 });
  }
  if (tap.intent === "answer") {
    const { question, is } = tap;
    const problem = await saveEntry(params.rigId, "answer", { question, is });
    return problem ? refused(problem, 507) : data({}, { status: 200 });
  }
  if (tap.intent === "fault") {
    const { fault, is, cylinder } = tap;
    const content = { fault, is, ...(cylinder !== undefined && { cylinder }), note: "" };
    const problem = await saveEntry(params.rigId, "fault", content);
    return problem ? refused(problem, 507) : data({}, { status: 200 });
  }
  const problem =
    tap.intent === "strike"
      ? await saveEntry(params.rigId, "strike", { strikes: tap.strikes, why: tap.why })
      : await saveEntry(params.rigId, "note", { text: tap.text });
  return problem ? refused(problem, 507) : data({}, { status: 200 });
}

export default function RigRoute({ loaderData }: Route.ComponentProps) {
  const { log, present, build, preferences } = loaderData;
  const [draft, setDraft] = useState<AirEntry>();
  const [chosen, setCarburettor] = useState(0);
  const carburettor = Math.min(chosen, present.settings.length - 1);
  const state = useAdvice(log.revision, log.entries, draft, carburettor);
  const { advice, working, problem } = state;
  const looks = useMemo(() => lookFaces(present), [present]);
  const { revalidate } = useRevalidator();
  useEffect(
    () =>
      onChangeElsewhere((rigId) => {
        if (rigId === log.header.id) void revalidate();
      }),
    [log.header.id, revalidate],
  );
  const work = useRef<HTMLElement>(null);
  const { pathname } = useLocation();
  // Another screen begins at its top: what comes of a saved form stands there.
  useEffect(() => {
    if (work.current) work.current.scrollTop = 0;
  }, [pathname]);
  const context: RigContext = {
    ...state,
    header: log.header,
    revision: log.revision,
    entries: log.entries,
    present,
    build,
    fitted: present.settings[carburettor] ?? loaderData.fitted,
    carburettor,
    setCarburettor,
    preferences,
    setDraft,
  };
  const held = present.held.length > 0;
  const zoneHref = (zone: string) => `/rigs/${log.header.id}/look?zone=${zone}`;
  return (
    <div className="frame">
      <Shortcuts context={context} />
      <Rail context={context} />
      <PhoneHead context={context} />
      {advice && <Ribbon advice={advice} looks={looks} zoneHref={zoneHref} />}
      <div className="strip-place">
        {advice ? (
          <Strip advice={advice} looks={looks} working={working} zoneHref={zoneHref} />
        ) : (
          !problem && <Working words="Sifting the log…" />
        )}
      </div>
      <main tabIndex={0} ref={work}>
        {problem !== undefined && (
          <div className="stack" style={{ marginBottom: 16 }}>
            <Caution grave>The advice could not be worked out: {problem}</Caution>
            <Button variant="outlined" onClick={() => location.reload()} sx={{ justifySelf: "start" }}>
              Try again
            </Button>
          </div>
        )}
        <Outlet context={context} />
      </main>
      <aside className="card-place" aria-label="The card">
        <div className="card-head">
          <h2 className="label">The card</h2>
          <span className="quiet" role="status" style={{ fontSize: "0.85rem" }}>
            {held ? "held back" : working && advice ? "working…" : draft ? "as typed" : "fitted → to fit"}
          </span>
        </div>
        <p className="print-only">
          <strong>
            {log.header.plate} · {log.header.name}
          </strong>
          <br />
          {present.air
            ? `${dayTitle(present.air.at)}, ${present.air.at.slice(11, 16)} · ${airWords(present.air, preferences)}`
            : "no air read"}
        </p>
        {held ? (
          <HeldCard context={context} />
        ) : (
          advice && (
            <>
              <WhichCarburettor context={context} advice={advice} />
              <Card advice={advice} />
              <CardFoot context={context} advice={advice} />
            </>
          )
        )}
      </aside>
      {advice && <PhoneCard context={context} advice={advice} />}
      <PhoneNav context={context} />
    </div>
  );
}
