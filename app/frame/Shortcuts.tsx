import { lazy, Suspense, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { useFetchers, useLocation, useNavigate, useNavigation } from "react-router";
import { proposedChanges, wayBack, type Proposed } from "#app/journal/fit-changes.ts";
import { askedFirst } from "#core/advice/card/asked-first.ts";
import { useSayProblem } from "#app/ui/Toast.tsx";
import { leadingBack } from "#app/vocabulary/help.ts";
import { helpAt, placeHref, placeLink, placesFor, type Place } from "./places.ts";
import { fitForm, fittedWords } from "./fit-form.ts";
import { useLoggedTap } from "./use-logged-tap.ts";
import type { RigContext } from "./use-rig.ts";
import { isFirstChangeAsked } from "./walk-round-due.ts";

/** Most people never are on a keyboard. */
const KeyList = lazy(() => import("./KeyList.tsx"));

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
  /** what `g` has begun: a place is named next, then a digit for a screen of it */
  const going = useRef<"place" | Place>(undefined);
  const navigate = useNavigate();
  const { header, advice, present, working, preferences, build, game } = context;
  const { send, answer } = useLoggedTap(header.id, "A key by mistake");
  useSayProblem(answer);
  const fetchers = useFetchers();
  const navigation = useNavigation();
  const saving = navigation.formMethod !== undefined || fetchers.some(({ state }) => state !== "idle");
  const go = (path: string) => void navigate(placeHref(header.id, path));

  const log = ({ changes, because }: Proposed, withAdvice = false) =>
    send(fitForm(changes, because, withAdvice ? advice : undefined), fittedWords(changes));
  const { pathname } = useLocation();
  const help = () => {
    const page = helpAt(header.id, pathname);
    if (page !== undefined) void navigate(leadingBack(page, pathname));
  };
  const act = (key: string): void => {
    const held = present.held.length > 0;
    const asked = advice && (askedFirst(advice) ?? isFirstChangeAsked(context));
    const proposed = !held && !asked && advice ? proposedChanges(advice) : undefined;
    if (key === "g") going.current = "place";
    else if (key === "a") go("air");
    else if (key === "l") go("look");
    else if (key === "y") go("why");
    else if (key === "w") go("what-if");
    else if (key === "c") {
      if (proposed && !working) log(proposed, true);
      else go("change");
    } else if (key === "b" && present.openChange)
      log({ changes: wayBack(present.openChange), because: "putBack" });
    else if (key === "h") help();
    else if (key === "?") setListed(true);
  };
  const press = (key: string): void => {
    const begun = going.current;
    going.current = undefined;
    if (begun === "place") {
      const place = placesFor(build, game !== undefined).find((candidate) => candidate.key === key);
      going.current = place;
      if (place) void navigate(placeLink(place, header.id));
      else if (key === "h") void navigate("/");
      return;
    }
    const screen = begun?.screens[Number(key) - 1];
    if (screen) go(screen.path);
    else act(key);
  };
  useHotkeys("*", ({ key }) => press(key), {
    enabled: preferences.keys === "on" && !saving,
    ignoreEventWhen: isNoTap,
    ignoreModifiers: true,
    useKey: true,
  });

  return listed ? (
    <Suspense fallback={null}>
      <KeyList onClose={() => setListed(false)} />
    </Suspense>
  ) : null;
}
