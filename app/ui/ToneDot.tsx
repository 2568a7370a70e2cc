import type { Tone } from "#core/log/parts.ts";
import { TONE_COLOURS } from "#app/theme/colours.ts";

export function ToneDot({ tone }: { tone: Tone }) {
  return <span className="tone-dot" style={{ background: TONE_COLOURS[tone] }} aria-hidden="true" />;
}
