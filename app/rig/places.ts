/** The screens of a rig in the order of the work, each with what it says of its state. */
import type { RigContext } from "./context.ts";

export interface Place {
  readonly name: string;
  readonly path: string;
  /** the key after `g` */
  readonly key: string;
  readonly state: (context: RigContext) => string;
}

const timeOf = (at: string | undefined): string => at?.slice(11, 16) ?? "";

export const PLACES: readonly Place[] = [
  { name: "Today", path: "", key: "t", state: () => "" },
  { name: "Rig", path: "build", key: "r", state: () => "" },
  { name: "Air", path: "air", key: "a", state: ({ present }) => timeOf(present.air?.at) || "not read" },
  {
    name: "Look",
    path: "look",
    key: "l",
    state: ({ present }) => (present.openChange ? "due" : `${present.looks.length}`),
  },
  { name: "Change", path: "change", key: "c", state: ({ present }) => (present.openChange ? "open" : "") },
  {
    name: "Why",
    path: "why",
    key: "y",
    state: ({ advice }) => (advice && advice.surprises.length > 0 ? "question" : ""),
  },
  { name: "Log", path: "log", key: "o", state: ({ present }) => `${present.lines.length}` },
];

export const placeHref = (rigId: string, path: string): string =>
  `/rigs/${rigId}${path === "" ? "" : `/${path}`}`;
