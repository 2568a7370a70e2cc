/** The sieve: a grid of settings; size and darkness show the chance that each is the best. */
import clsx from "clsx";
import css from "./sieve.module.css";
import { useLayoutEffect, useRef, useState, type KeyboardEvent } from "react";
import type { Sieve } from "#core/advice/card/sieve.ts";
import { capital, partInSentence, partValue } from "#app/vocabulary/parts.ts";
import { holeWords } from "./words.ts";

const LARGEST = 18;
const SMALLEST = 4;
const CELL = 48;
const APART = 8;

interface HoleProps {
  readonly share: number;
  readonly open: boolean;
  readonly closing: boolean;
}

/** Open: a hole as large as its chance. Closed: a dot; closed by the look in question: crossed out. */
function Hole({ share, open, closing }: HoleProps) {
  const radius = open ? SMALLEST + (LARGEST - SMALLEST) * Math.sqrt(share) : 2;
  return (
    <svg width={CELL - 4} height={CELL - 4} viewBox="-22 -22 44 44" aria-hidden="true">
      <circle
        className={css["hole"]}
        r={radius}
        fill={open ? "var(--ink)" : "var(--quiet)"}
        fillOpacity={open ? 0.25 + 0.75 * share : 0.6}
        stroke={open ? "var(--ink)" : "none"}
        strokeWidth={1.5}
      />
      {closing && <path d="M-9 -9 L9 9 M9 -9 L-9 9" stroke="var(--signal)" strokeWidth={2.5} />}
    </svg>
  );
}

interface GridProps {
  readonly sieve: Sieve;
  readonly chosen: number | undefined;
  /** holes that the last look counted has closed */
  readonly closed: ReadonlySet<number>;
  readonly working: boolean;
  readonly onChoose: (hole: number) => void;
}

export function Grid({ sieve, chosen, closed, working, onChoose }: GridProps) {
  const { axes, across, down, holes, best, open, fitted } = sieve;
  const width = across.length;
  const fittedAt = holes.findIndex(
    (hole) => hole[axes.across] === fitted[axes.across] && hole[axes.down] === fitted[axes.down],
  );
  const [at, setAt] = useState(Math.max(0, chosen ?? fittedAt));
  const table = useRef<HTMLTableElement>(null);
  // A box of many sizes is wider than the screen: it begins at what is fitted.
  useLayoutEffect(() => {
    const place = table.current?.parentElement;
    if (place) place.scrollLeft = ((fittedAt % width) + 1) * (CELL + APART) - place.clientWidth / 2;
  }, [fittedAt, width]);
  const most = Math.max(...best);
  const move = (event: KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -width, ArrowDown: width }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const next = at + by;
    const sameRow = Math.floor(next / width) === Math.floor(at / width);
    if (next < 0 || next >= holes.length || (Math.abs(by) === 1 && !sameRow)) return;
    setAt(next);
    table.current?.querySelector<HTMLElement>(`[data-hole="${next}"]`)?.focus();
  };
  return (
    <div className={css["sieve"]}>
      <span className="label" id="sieved">
        {capital(partInSentence(axes.across))} across, {partInSentence(axes.down)} down
      </span>
      <div className="scroll-x">
        <table
          className={css["grid"]}
          ref={table}
          aria-labelledby="sieved"
          aria-busy={working}
          onKeyDown={move}
        >
          <thead>
            <tr>
              <td />
              {across.map((value) => (
                <th key={value} scope="col">
                  {partValue(axes.across, value)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {down.map((value, row) => (
              <tr key={value}>
                <th scope="row">{partValue(axes.down, value)}</th>
                {across.map((_, column) => {
                  const i = row * width + column;
                  return (
                    <td key={i}>
                      <button
                        type="button"
                        data-hole={i}
                        tabIndex={i === at ? 0 : -1}
                        aria-label={holeWords(sieve, i)}
                        aria-pressed={i === chosen}
                        className={clsx(i === fittedAt && css["fitted"])}
                        onFocus={() => setAt(i)}
                        onClick={() => onChoose(i)}
                      >
                        <Hole
                          share={most > 0 ? (best[i] ?? 0) / most : 0}
                          open={open[i] === true}
                          closing={closed.has(i)}
                        />
                      </button>
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}
