/** Parts of the box tried on paper: one of each kind, or what is fitted. */
import { memo } from "react";
import { PART_MINUTES, withPart, isFitted } from "#core/rig/bench-part.ts";
import type { BenchPart } from "#core/log/part-schema.ts";
import type { TrialAsked } from "#core/log/trial-asked.ts";
import type { Build } from "#core/log/schema.ts";
import { PickField } from "#app/ui/PickField.tsx";
import { benchPartWords, PART_KIND_NAMES } from "#app/vocabulary/bench-parts.ts";
import { capital } from "#app/vocabulary/parts.ts";

/** One of each can be in at a time; a main and a pilot air jet are two. */
const placeOf = (part: BenchPart): string =>
  part.kind === "airJet" ? `${capital(part.path)} air jet` : PART_KIND_NAMES[part.kind];

/** @returns the same trial with this part in its place, or none there */
export function withTriedPart(asked: TrialAsked, place: string, part: BenchPart | undefined): TrialAsked {
  const others = (asked.parts ?? []).filter((one) => placeOf(one) !== place);
  return { ...asked, parts: part ? [...others, part] : others };
}

/** A part that this kind of carburettor has no place for is not offered. */
function canBeTried(build: Build, part: BenchPart): boolean {
  try {
    withPart(build, part);
    return !isFitted(build, part);
  } catch (error) {
    if (error instanceof RangeError) return false;
    throw error;
  }
}

/** @returns a trial that begins with one part of the box in, as a link names it */
export function startWith(build: Build, name: string | null, asked: TrialAsked): TrialAsked {
  const part = build.box.parts?.find((one) => one.name === name);
  return part && canBeTried(build, part) ? withTriedPart(asked, placeOf(part), part) : asked;
}

export const triedPartsWords = ({ parts = [] }: TrialAsked): string[] =>
  parts.map((part) => `${capital(benchPartWords(part))}, ${PART_MINUTES[part.kind]} minutes`);

const NONE: readonly BenchPart[] = [];

interface BoxPartsProps {
  readonly tried: readonly BenchPart[] | undefined;
  /** as this carburettor sees it, nothing tried */
  readonly build: Build;
  readonly onMove: (change: (asked: TrialAsked) => TrialAsked) => void;
}

export const BoxParts = memo(function BoxParts({ tried = NONE, build, onMove }: BoxPartsProps) {
  const offered = (build.box.parts ?? []).filter((part) => canBeTried(build, part));
  const places = [...new Set(offered.map(placeOf))];
  if (places.length === 0) return null;
  return (
    <section aria-label="Parts of the box" className="stack">
      <h2>Parts of the box</h2>
      <div className="two">
        {places.map((place) => {
          const isIn = tried.find((part) => placeOf(part) === place);
          const here = offered.filter((part) => placeOf(part) === place);
          return (
            <PickField
              key={place}
              label={place}
              value={isIn?.name ?? ""}
              options={[["", "As fitted"], ...here.map(({ name }) => [name, name] as const)]}
              onChange={({ target }) => {
                const part = here.find(({ name }) => name === target.value);
                onMove((before) => withTriedPart(before, place, part));
              }}
            />
          );
        })}
      </div>
    </section>
  );
});
