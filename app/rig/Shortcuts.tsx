import { lazy, Suspense, useEffect, useEffectEvent, useRef, useState } from "react";
import { useFetcher, useNavigate } from "react-router";
import type { RigContext } from "./context.ts";
import { proposedChanges, wayBack } from "./fit-changes.ts";
import { placeHref, PLACES } from "./places.ts";
import { fitForm } from "./Taps.tsx";

const KeyList = lazy(() => import("./KeyList.tsx"));

const KEYS = [
  ["a", "Read the air"],
  ["l", "Log a look"],
  ["c", "What is advised is fitted; else type what was changed"],
  ["b", "Put the open change back"],
  ["y", "Why this advice"],
  ...PLACES.map(({ key, name }) => [`g ${key}`, `Go to ${name}`] as const),
  ["g p", "Go to the paddock"],
  ["?", "This list"],
  ["Esc", "Close"],
] as const;

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** The keyboard of a rig: works wherever nothing is being typed. */
export function Shortcuts({ context }: { context: RigContext }) {
  const [listed, setListed] = useState(false);
  const afterG = useRef(false);
  const navigate = useNavigate();
  const fetcher = useFetcher();
  const { header, advice, present, working } = context;
  const go = (path: string) => void navigate(placeHref(header.id, path));
  const fit = (form: ReturnType<typeof fitForm>) =>
    void fetcher.submit(form, { method: "post", action: `/rigs/${header.id}` });

  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
    const { key } = event;
    if (afterG.current) {
      afterG.current = false;
      const place = PLACES.find((candidate) => candidate.key === key);
      if (place) go(place.path);
      else if (key === "p") void navigate("/");
      return;
    }
    const held = present.held.length > 0;
    const proposed = !held && advice ? proposedChanges(advice) : undefined;
    if (key === "g") afterG.current = true;
    else if (key === "a") go("air");
    else if (key === "l") go("look");
    else if (key === "y") go("why");
    else if (key === "c") {
      if (proposed && !working) fit(fitForm(proposed.changes, proposed.because, advice));
      else go("change");
    } else if (key === "b" && present.openChange) fit(fitForm(wayBack(present.openChange), "putBack"));
    else if (key === "?") setListed(true);
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => onKey(event);
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);

  if (!listed) return null;
  return (
    <Suspense fallback={null}>
      <KeyList keys={KEYS} onClose={() => setListed(false)} />
    </Suspense>
  );
}
