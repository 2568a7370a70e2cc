/** The cells of a chart, worked out piece by piece: each piece goes on from what the one before it fits. */
import { useEffect, useMemo, useState } from "react";
import { gridCells, walks, type GridAsked, type GridCell } from "#core/chart/grid.ts";
import type { DrawnCell } from "#core/chart/letters.ts";
import type { ChartCell, ChartGround } from "#core/chart/jetting-chart.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { askJudge } from "#app/journal/judge.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { revisionKey } from "#app/workers/revision.ts";

export interface DrawnChart {
  readonly cells: readonly GridCell[];
  readonly drawn: readonly DrawnCell[];
  readonly problem: string | undefined;
}

/** The first piece is there soon; the later ones are larger. */
const PIECES = [2, 48] as const;

export function useChart(grid: GridAsked | undefined, ground: ChartGround | undefined): DrawnChart {
  const { revision, entries, carburettor } = useRig();
  const cells = useMemo(() => (grid ? gridCells(grid) : []), [grid]);
  const key = `${revisionKey(revision)} ${carburettor} ${JSON.stringify(grid)}`;
  const [done, setDone] = useState<{ key: string; drawn: readonly DrawnCell[]; problem?: string }>();
  const begins = ground && !ground.guess ? ground.fromKgM3 : undefined;
  useEffect(() => {
    if (begins === undefined || cells.length === 0) return;
    let left = false;
    const drawn: DrawnCell[] = [];
    const draw = async () => {
      for (const walk of walks(cells, begins)) {
        let from: ChartCell["setting"] | undefined;
        for (let at = 0; at < walk.length;) {
          const piece = walk.slice(at, at + (drawn.length === 0 ? PIECES[0] : PIECES[1]));
          const asked = { airs: piece.map(({ air }) => air), ...(from && { from }) };
          const fits = await askJudge({ revision, entries }, { ask: "chart", asked, carburettor });
          if (left) return;
          drawn.push(...piece.flatMap((cell, i) => (fits[i] ? [{ ...cell, fit: fits[i] }] : [])));
          from = fits.at(-1)?.setting;
          at += piece.length;
          setDone({ key, drawn: [...drawn] });
        }
      }
    };
    draw().catch((error: unknown) => {
      if (!left) setDone({ key, drawn: [...drawn], problem: wordsOf(error) });
    });
    return () => {
      left = true;
    };
    // The key names the log, the carburettor and the grid.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, begins]);
  const mine = done?.key === key ? done : undefined;
  return { cells, drawn: mine?.drawn ?? [], problem: mine?.problem };
}
