/** What every screen of a rig shares with its frame. */
import { useOutletContext } from "react-router";
import type { Present } from "#core/log/present.ts";
import type { AirEntry, Build, Entry, Header, Setting } from "#core/log/schema.ts";
import type { OpenGame } from "#app/store/practice-log.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import type { Revision } from "#app/workers/revision.ts";
import type { LiveMark } from "./strip/Strip.tsx";
import type { AdviceState } from "./use-advice.ts";

export interface RigContext extends AdviceState {
  readonly header: Header;
  readonly revision: Revision;
  readonly entries: readonly Entry[];
  readonly present: Present;
  readonly build: Build;
  /** on the carburettor that is on the bench */
  readonly fitted: Setting;
  /** which one that is, from 0; all of them while they are alike and set alike */
  readonly carburettor: number;
  readonly setCarburettor: (carburettor: number) => void;
  readonly preferences: Preferences;
  /** an air being typed: card and strip follow it before it is saved */
  readonly setDraft: (draft: AirEntry | undefined) => void;
  /** a meter that is read right now: the strip follows it */
  readonly setLive: (live: LiveMark | undefined) => void;
  /** of a practice rig: what its engine showed, the clock, and whether strip and card are covered */
  readonly game?: OpenGame | undefined;
}

export const useRig = (): RigContext => useOutletContext<RigContext>();
