/** The posterior offset of each of the tuner’s instruments: a reader who sees dark, a meter that shows lean. */
import { placeOfInstrument } from "../../belief/layout.ts";
import type { Replayed } from "../../belief/replay.ts";
import { instrumentKey, OFFSET_SD, type InstrumentKind } from "../../looks/instruments.ts";

export interface InstrumentBelief {
  readonly kind: InstrumentKind;
  readonly name?: string;
  /** by how much it reads too lean, log mixture */
  readonly mean: number;
  readonly sd: number;
  /** off by so much for its doubt that it is said */
  readonly known: boolean;
  /** its own error is still as open as it ever was: something else than more of its looks would tell */
  readonly open: boolean;
  /** its readings scatter so many times as far as usual; 1 as usual */
  readonly scatter: number;
}

/** Its mean is so many sds from nothing: it is reported. */
const REPORTED_SDS = 1.5;
/** What is left of the doubt before anything was seen. */
const OPEN_SHARE = 0.8;

/** @returns one for every instrument that looks of this rig were taken with */
export function instrumentsKnown({
  layout,
  joint,
  scatter,
}: Pick<Replayed, "layout" | "joint" | "scatter">): InstrumentBelief[] {
  return layout.instruments.flatMap(({ kind, name }): InstrumentBelief[] => {
    const place = placeOfInstrument(layout, { kind, name });
    if (place === undefined) return [];
    const mean = joint.mean[place] ?? 0;
    const sd = Math.sqrt(joint.covariance[place * layout.size + place] ?? 0);
    return [
      {
        kind,
        ...(name !== undefined && { name }),
        mean,
        sd,
        known: Math.abs(mean) >= REPORTED_SDS * sd,
        scatter: scatter.get(instrumentKey({ kind, name })) ?? 1,
        open: sd >= OPEN_SHARE * OFFSET_SD[kind],
      },
    ];
  });
}
