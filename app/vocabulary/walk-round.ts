/** The checks of the walk-round by name, and what became of them. */
import type { CheckName, CheckState } from "#core/log/walk-round-names.ts";

interface CheckWords {
  readonly title: string;
  /** within a sentence */
  readonly short: string;
}

export const CHECK_WORDS: Readonly<Record<CheckName, CheckWords>> = {
  ignition: { title: "Ignition and plug", short: "the ignition" },
  choke: { title: "Choke really off", short: "the choke" },
  cable: { title: "Throttle cable", short: "the throttle cable" },
  breathing: { title: "Filter, box and fuel", short: "filter and fuel" },
  floatHeight: { title: "Float, dry height", short: "the float’s height" },
  wetLevel: { title: "Float, wet level", short: "the fuel level" },
  floatDrop: { title: "Float drop", short: "the float’s drop" },
  needleAndSeat: { title: "Needle and seat", short: "float needle and seat" },
  airLeaks: { title: "Air leaks and alignment", short: "the intake’s seal" },
  passages: { title: "Jets and passages", short: "jets and passages" },
  pump: { title: "Accelerator pump", short: "the accelerator pump" },
  mounting: { title: "Flange and mounting", short: "the mounting" },
  asMade: { title: "As made", short: "a part not as made" },
};

export const STATE_WORDS: Readonly<Record<CheckState, string>> = {
  pass: "pass",
  notes: "pass with notes",
  stop: "stop",
  skipped: "skipped",
};

/** @returns `the choke and the fuel level` */
export function checkList(checks: readonly CheckName[]): string {
  const names = checks.map((check) => CHECK_WORDS[check].short);
  return names.length < 2 ? (names[0] ?? "") : `${names.slice(0, -1).join(", ")} and ${names.at(-1) ?? ""}`;
}

/** Headline and reason while the card is held back. */
export const heldWords = (held: readonly CheckName[]): { title: string; reason: string } => ({
  title: `Stop: ${checkList(held)}`,
  reason: `The walk-round found a fault there, and no jet cures it. Mend it and pass the check; until then the card is held back.`,
});
