/** Diagnosis of an overflowing carburettor by where and when it drips. */

export interface Overflow {
  /** the small drain at the side of the bowl, or the open pipe standing in it */
  readonly from: "sideDrain" | "standPipe";
  readonly when: "standing" | "idling" | "roughRunning" | "leaning";
}

export type OverflowCause =
  | "dirtInSeat"
  | "wornNeedleOrSeat"
  | "springPinStuck"
  | "seatRing"
  | "floatHeavy"
  | "levelTooHigh"
  | "vibration"
  | "angle";

/** @returns causes to look at, the likeliest first; vibration and angle are no fault of the valve */
export function overflowCauses({ from, when }: Overflow): readonly OverflowCause[] {
  if (from === "standPipe") {
    if (when === "roughRunning") return ["vibration", "levelTooHigh"];
    if (when === "leaning") return ["angle", "levelTooHigh"];
    if (when === "idling") return ["levelTooHigh", "vibration", "dirtInSeat"];
    return ["levelTooHigh", "floatHeavy", "dirtInSeat"];
  }
  if (when === "leaning") return ["angle", "wornNeedleOrSeat", "dirtInSeat"];
  return when === "standing"
    ? ["dirtInSeat", "wornNeedleOrSeat", "seatRing", "floatHeavy"]
    : ["dirtInSeat", "springPinStuck", "wornNeedleOrSeat", "seatRing"];
}
