/** A round under way: which plug is up, what was called, and the clock. */
import { useEffect, useRef, useState } from "react";
import type { Tone } from "#core/log/parts.ts";
import { roundOf, type Call, type RoundAsked, type TrainerPlug } from "#core/trainer/round.ts";

export interface RoundWanted extends RoundAsked {
  /** seconds a plug; 0 for no clock */
  readonly clockS: number;
  readonly reader: string | undefined;
}

/** A plug with the word it got; none where the clock ran out. */
export interface Answered {
  readonly plug: TrainerPlug;
  readonly called: Tone | undefined;
}

export const callsIn = (answered: readonly Answered[]): Call[] =>
  answered.flatMap(({ plug, called }) =>
    called === undefined ? [] : [{ error: plug.error, light: plug.scene.light, called }],
  );

/** @param onEnd - with the last plug's answer */
export function useRound(wanted: RoundWanted, onEnd: (answered: readonly Answered[]) => void) {
  const [plugs] = useState(() => roundOf(wanted));
  const [answered, setAnswered] = useState<readonly Answered[]>([]);
  const [leftS, setLeftS] = useState(wanted.clockS);
  const plug = plugs[answered.length];
  const ended = useRef(false);
  const answer = (called: Tone | undefined) => {
    if (!plug || ended.current) return;
    const next = [...answered, { plug, called }];
    setAnswered(next);
    setLeftS(wanted.clockS);
    if (next.length < plugs.length) return;
    ended.current = true;
    onEnd(next);
  };
  const late = useRef(answer);
  useEffect(() => {
    late.current = answer;
  });
  useEffect(() => {
    if (wanted.clockS === 0) return;
    const from = Date.now();
    const timer = setInterval(() => {
      const left = wanted.clockS - Math.floor((Date.now() - from) / 1000);
      if (left > 0) setLeftS(left);
      else late.current(undefined);
    }, 250);
    return () => clearInterval(timer);
  }, [wanted.clockS, answered.length]);
  return { plug, at: answered.length, of: plugs.length, leftS, answer };
}
