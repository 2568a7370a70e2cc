import { lazy, Suspense, useEffect, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { useFetcher, useFetchers, useNavigate, useNavigation } from "react-router";
import type { Change } from "#core/log/schema.ts";
import { proposedChanges, wayBack, type Proposed } from "#app/journal/fit-changes.ts";
import type { ActionProblem } from "#app/journal/save.ts";
import { useSayProblem, useToast } from "#app/ui/Toast.tsx";
import { partInSentence, partValue } from "#app/vocabulary/parts.ts";
import { placeHref, PLACES } from "./places.ts";
import { fitForm } from "./Taps.tsx";
import type { RigContext } from "./use-rig.ts";

const KeyList = lazy(() => import("./KeyList.tsx"));

const KEYS = [
  ["a", "Read the air"],
  ["l", "Log a look"],
  ["c", "What is advised is fitted; else type what was changed"],
  ["b", "Put the open change back"],
  ["y", "Why this advice"],
  ...PLACES.map(({ key, name }) => [`g ${key}`, `Go to ${name}`] as const),
  ["g p", "Go to the paddock"],
  ["?", "This list; keys are switched off on the Data page"],
  ["Esc", "Close"],
] as const;

/** Where a key belongs to what is open or chosen there. */
const ELSEWHERE = '[role="dialog"], [role="listbox"], [role="menu"], [role="combobox"], [role="slider"]';

/** A key held down is one tap; in a dialog, a list or with another key it is none. */
const isNoTap = (event: KeyboardEvent): boolean =>
  event.repeat ||
  event.ctrlKey ||
  event.metaKey ||
  event.altKey ||
  document.querySelector('[role="dialog"]') !== null ||
  (event.target instanceof Element && event.target.closest(ELSEWHERE) !== null);

const fittedWords = (changes: readonly Change[]): string =>
  `Logged: ${changes.map(({ part, to }) => `${partInSentence(part)} ${partValue(part, to)}`).join(", ")}.`;

/** Logs a fit, says what was logged, and offers the way back. */
function useLoggedFit(rigId: string) {
  const fetcher = useFetcher<ActionProblem & { logged?: readonly string[] }>();
  const undo = useFetcher<ActionProblem>();
  const say = useToast();
  const words = useRef("");
  useSayProblem(fetcher.data);
  useSayProblem(undo.data);
  const action = `/rigs/${rigId}`;
  const [id] = fetcher.data?.logged ?? [];
  const told = useRef<string>(undefined);
  useEffect(() => {
    if (id === undefined || told.current === id) return;
    told.current = id;
    const form = { intent: "strike", strikes: id, why: "A key by mistake" };
    const run = () => void undo.submit(form, { method: "post", action });
    say({ words: words.current, action: { words: "Undo", run } });
  }, [id, action, say, undo]);
  return (form: ReturnType<typeof fitForm>, changes: readonly Change[]) => {
    words.current = fittedWords(changes);
    void fetcher.submit(form, { method: "post", action });
  };
}

/** The keyboard of a rig: works wherever nothing is being typed, unless it is switched off. */
export function Shortcuts({ context }: { context: RigContext }) {
  const [listed, setListed] = useState(false);
  const afterG = useRef(false);
  const navigate = useNavigate();
  const { header, advice, present, working, preferences } = context;
  const fit = useLoggedFit(header.id);
  const fetchers = useFetchers();
  const navigation = useNavigation();
  const saving = navigation.formMethod !== undefined || fetchers.some(({ state }) => state !== "idle");
  const go = (path: string) => void navigate(placeHref(header.id, path));

  const log = ({ changes, because }: Proposed, withAdvice = false) =>
    fit(fitForm(changes, because, withAdvice ? advice : undefined), changes);
  const act = (key: string): void => {
    const held = present.held.length > 0;
    const proposed = !held && advice ? proposedChanges(advice) : undefined;
    if (key === "g") afterG.current = true;
    else if (key === "a") go("air");
    else if (key === "l") go("look");
    else if (key === "y") go("why");
    else if (key === "c") {
      if (proposed && !working) log(proposed, true);
      else go("change");
    } else if (key === "b" && present.openChange)
      log({ changes: wayBack(present.openChange), because: "putBack" });
    else if (key === "?") setListed(true);
  };
  const goTo = (key: string): void => {
    afterG.current = false;
    const place = PLACES.find((candidate) => candidate.key === key);
    if (place) go(place.path);
    else if (key === "p") void navigate("/");
  };
  useHotkeys("*", ({ key }) => (afterG.current ? goTo(key) : act(key)), {
    enabled: preferences.keys === "on" && !saving,
    ignoreEventWhen: isNoTap,
    ignoreModifiers: true,
    useKey: true,
  });

  if (!listed) return null;
  return (
    <Suspense fallback={null}>
      <KeyList keys={KEYS} onClose={() => setListed(false)} />
    </Suspense>
  );
}
