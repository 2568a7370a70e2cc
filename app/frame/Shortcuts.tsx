import { lazy, Suspense, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { useFetchers, useNavigate, useNavigation } from "react-router";
import { proposedChanges, wayBack, type Proposed } from "#app/journal/fit-changes.ts";
import { askedFirst } from "#core/advice/card/asked-first.ts";
import { useSayProblem } from "#app/ui/Toast.tsx";
import { placeHref, PLACES } from "./places.ts";
import { fitForm, fittedWords } from "./fit-form.ts";
import { useLoggedTap } from "./use-logged-tap.ts";
import type { RigContext } from "./use-rig.ts";

/** Most people never are on a keyboard. */
const KeyList = lazy(() => import("./KeyList.tsx"));

export const KEYS = [
  ["a", "Read the air"],
  ["l", "Log a look"],
  ["c", "What is advised is fitted; else type what was changed"],
  ["b", "Put the open change back"],
  ["y", "Why this advice"],
  ...PLACES.map(({ key, name }) => [`g ${key}`, `Go to ${name}`] as const),
  ["g h", "Go to the paddock"],
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

/** The keyboard of a rig: works wherever nothing is being typed, unless it is switched off. */
export function Shortcuts({ context }: { context: RigContext }) {
  const [listed, setListed] = useState(false);
  const afterG = useRef(false);
  const navigate = useNavigate();
  const { header, advice, present, working, preferences } = context;
  const { send, answer } = useLoggedTap(header.id, "A key by mistake");
  useSayProblem(answer);
  const fetchers = useFetchers();
  const navigation = useNavigation();
  const saving = navigation.formMethod !== undefined || fetchers.some(({ state }) => state !== "idle");
  const go = (path: string) => void navigate(placeHref(header.id, path));

  const log = ({ changes, because }: Proposed, withAdvice = false) =>
    send(fitForm(changes, because, withAdvice ? advice : undefined), fittedWords(changes));
  const act = (key: string): void => {
    const held = present.held.length > 0;
    const proposed = !held && advice && !askedFirst(advice) ? proposedChanges(advice) : undefined;
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
    else if (key === "h") void navigate("/");
  };
  useHotkeys("*", ({ key }) => (afterG.current ? goTo(key) : act(key)), {
    enabled: preferences.keys === "on" && !saving,
    ignoreEventWhen: isNoTap,
    ignoreModifiers: true,
    useKey: true,
  });

  return listed ? (
    <Suspense fallback={null}>
      <KeyList keys={KEYS} onClose={() => setListed(false)} />
    </Suspense>
  ) : null;
}
