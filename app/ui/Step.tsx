import type { Part } from "#core/log/parts.ts";
import { partValue } from "#app/vocabulary/parts.ts";
import { Arrow } from "./Arrow.tsx";

/** What is fitted, and the step to what to fit when they differ. */
export function Step({ part, from, to }: { part: Part; from: number; to: number }) {
  if (from === to) return <span className="step">{partValue(part, from)}</span>;
  return (
    <span className="step">
      <span className="old">{partValue(part, from)}</span>
      <Arrow />
      {partValue(part, to)}
    </span>
  );
}
