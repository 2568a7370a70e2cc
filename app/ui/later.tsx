/**
 * What a first screen is tapped with comes after its card: MUI and all that stands on it is asked for once the card is
 * drawn, and dressed where it comes. Not by `Suspense`: that holds back what comes for a third of a second.
 */
import { useEffect, useState, useSyncExternalStore, type ComponentType } from "react";
import { firstCard } from "./first-card.ts";

interface Loaded<Props> {
  readonly default: ComponentType<Props>;
}

interface Place<Props> {
  /** what stands there until then: nothing, or its words and its room */
  readonly Meanwhile?: ComponentType<Props>;
  /** without it the screen is of no use: if it cannot come the screen says so, else what stands there stays */
  readonly vital?: boolean;
}

/** @param load - where the part comes from */
export function later<Props extends object>(
  load: () => Promise<Loaded<Props>>,
  { Meanwhile, vital = false }: Place<Props> = {},
): ComponentType<Props> {
  let part: ComponentType<Props> | undefined;
  let asked: Promise<void> | undefined;
  const waiting = new Set<() => void>();
  const come = async (): Promise<void> => {
    await firstCard();
    const [{ default: Part }, { Dressed }] = await Promise.all([load(), import("#app/theme/Dressed.tsx")]);
    part = (props: Props) => (
      <Dressed>
        <Part {...props} />
      </Dressed>
    );
    for (const tell of waiting) tell();
  };
  const ask = (): Promise<void> =>
    (asked ??= come().catch((error: unknown) => {
      asked = undefined;
      throw error;
    }));
  const subscribe = (tell: () => void) => {
    waiting.add(tell);
    return () => waiting.delete(tell);
  };
  const current = () => part;
  return function Later(props: Props) {
    const Part = useSyncExternalStore(subscribe, current, current);
    const [failed, setFailed] = useState<{ readonly why: unknown }>();
    useEffect(() => {
      ask().catch((why: unknown) => setFailed({ why }));
    }, []);
    if (Part) return <Part {...props} />;
    if (vital && failed) throw failed.why;
    return Meanwhile ? <Meanwhile {...props} /> : null;
  };
}
