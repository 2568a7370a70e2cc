/** How the engine was stopped before a plug came out. */
export const CUTS = [
  { value: "clean", text: "Clean cut", note: "as it was" },
  { value: "rolled", text: "Rolled off", note: "to idle" },
  { value: "unknown", text: "Not known" },
] as const;

export type Cut = (typeof CUTS)[number]["value"];
