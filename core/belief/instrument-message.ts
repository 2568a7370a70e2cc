/**
 * The message that one rig sends to others about its instruments: the likelihood of each instrument’s offset in natural
 * parameters. A rig never reads its own message.
 */
import type { InstrumentMessage } from "../log/schema.ts";
import { instrumentKey, OFFSET_SD } from "../looks/instruments.ts";
import { placeOfInstrument } from "./layout.ts";
import type { Replayed } from "./replay.ts";

/** Below this a rig has said nothing of an instrument. */
const NOTHING_SAID = 1;

/**
 * @param heard - what this rig had been told by others: it is taken out again, nothing counts twice
 * @returns natural parameters of what this rig's own looks add
 */
export function instrumentMessages(
  { layout, joint }: Pick<Replayed, "layout" | "joint">,
  heard: readonly InstrumentMessage[],
): InstrumentMessage[] {
  return layout.instruments.flatMap(({ kind, name }): InstrumentMessage[] => {
    const place = placeOfInstrument(layout, { kind, name });
    if (place === undefined) return [];
    const variance = joint.covariance[place * layout.size + place] ?? 0;
    const mean = joint.mean[place] ?? 0;
    const key = instrumentKey({ kind, name });
    const told = heard.find((one) => instrumentKey(one) === key);
    const precision = 1 / variance - 1 / OFFSET_SD[kind] ** 2 - (told?.precision ?? 0);
    // Contradiction can leave less known than before: that is no message.
    if (!(precision > NOTHING_SAID)) return [];
    return [
      { kind, ...(name !== undefined && { name }), precision, pull: mean / variance - (told?.pull ?? 0) },
    ];
  });
}

/** @returns what several rigs say together, one message an instrument */
export function combinedMessages(messages: readonly InstrumentMessage[]): InstrumentMessage[] {
  const sums = new Map<string, InstrumentMessage>();
  for (const message of messages) {
    const key = instrumentKey(message);
    const before = sums.get(key);
    sums.set(key, {
      ...message,
      precision: message.precision + (before?.precision ?? 0),
      pull: message.pull + (before?.pull ?? 0),
    });
  }
  return [...sums.values()];
}
