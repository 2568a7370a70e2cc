/** What a trial is held against on one strip: what is fitted today, another trial, another rig. */
import { useState } from "react";
import type { Advice } from "#core/advice/card/advise.ts";
import type { ZoneAdvice } from "#core/advice/judge/zone-advice.ts";
import type { Header } from "#core/log/schema.ts";
import { askFace } from "#app/journal/judge.ts";
import { listRigs } from "#app/store/book.ts";
import { revisionOf } from "#app/store/rig-log.ts";
import { revisionKey, type Revision } from "#app/workers/revision.ts";
import { useAnswer } from "#app/frame/use-answer.ts";
import { PickField } from "#app/ui/PickField.tsx";

/** A line along the throttle, with what its zones are. */
export interface Held {
  readonly name: string;
  readonly strip: Advice["strip"];
  readonly zones: readonly ZoneAdvice[];
  readonly powerLeft: number;
}

export interface OtherRig {
  readonly header: Header;
  readonly revision: Revision;
}

/** @returns the other rigs of the book, as far as they can be read */
export async function otherRigs(rigId: string): Promise<OtherRig[]> {
  const shelf = await listRigs();
  if (!shelf.ok) return [];
  const others = shelf.value.headers.filter(({ id }) => id !== rigId);
  const revisions = await Promise.all(others.map(({ id }) => revisionOf(id)));
  return others.flatMap((header, i) => {
    const revision = revisions[i];
    return revision?.ok ? [{ header, revision: revision.value }] : [];
  });
}

const FITTED = "fitted";

interface AgainstOptions {
  readonly advice: Advice | undefined;
  readonly kept: readonly Held[];
  readonly rigs: readonly OtherRig[];
}

/** @returns what is chosen, and the field that chooses it */
export function useAgainst({ advice, kept, rigs }: AgainstOptions) {
  const [wanted, setWanted] = useState(FITTED);
  const rig = rigs.find(({ header }) => header.id === wanted);
  const { value: face, problem } = useAnswer(rig && revisionKey(rig.revision), () => {
    if (!rig) throw new Error("no other rig is wanted");
    return askFace(rig.revision);
  });
  const trial = kept.find(({ name }) => `trial ${name}` === wanted);
  const fitted: Held | undefined = advice && {
    name: "Fitted, today",
    strip: advice.strip,
    zones: advice.zones,
    powerLeft: advice.air.powerLeft,
  };
  const other: Held | undefined =
    rig && face?.advice
      ? {
          name: `${rig.header.plate} · ${rig.header.name}`,
          strip: face.advice.strip,
          zones: face.advice.zones,
          powerLeft: face.advice.air.powerLeft,
        }
      : undefined;
  const options = [
    [FITTED, "What is fitted, today"] as const,
    ...kept.map(({ name }) => [`trial ${name}`, name] as const),
    ...rigs.map(({ header }) => [header.id, `${header.plate} · ${header.name}, as it is fitted`] as const),
  ];
  const chosen = options.some(([value]) => value === wanted) ? wanted : FITTED;
  const field = (
    <PickField
      label="The broken line"
      className="start"
      value={chosen}
      options={options}
      problem={problem}
      onChange={({ target }) => setWanted(target.value)}
    />
  );
  return { against: trial ?? other ?? fitted, field, other };
}
