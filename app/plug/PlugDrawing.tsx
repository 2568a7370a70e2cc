import type { Tone } from "#core/log/parts.ts";
import { TONE_COLOURS } from "#app/theme/colours.ts";

/** A plug's firing end, plainly: the porcelain takes the tone that is chosen, near its root. */
export function PlugDrawing({ tone }: { tone: Tone | undefined }) {
  const ink = { stroke: "var(--ink)", strokeWidth: 2, fill: "none" } as const;
  const porcelain = tone ? TONE_COLOURS[tone] : "var(--sheet)";
  return (
    <svg
      width="132"
      height="150"
      viewBox="0 0 132 150"
      role="img"
      aria-label={tone ? `Plug with ${tone} porcelain` : "Plug, tone not chosen"}
    >
      <rect x="22" y="4" width="88" height="26" rx="2" {...ink} fill="var(--sheet)" />
      {[38, 48, 58, 68, 78].map((y) => (
        <path key={y} d={`M30 ${y} h72 l4 5 h-80 z`} {...ink} fill="var(--sheet)" />
      ))}
      <path d="M30 88 h72 v10 h-72 z" {...ink} fill="var(--hairline)" />
      <path d="M50 98 h32 l-6 26 h-20 z" {...ink} fill={porcelain} />
      <rect x="61" y="124" width="10" height="7" {...ink} fill="var(--layer-needle)" />
      <path d="M96 98 v44 h-38 v-7 h31 v-37 z" {...ink} fill="var(--layer-needle)" />
      <path d="M18 106 h28 M40 102 l7 4 -7 4" {...ink} strokeWidth={1.5} />
      <text x="0" y="110" fontSize="12" fill="var(--quiet)">
        root
      </text>
    </svg>
  );
}
