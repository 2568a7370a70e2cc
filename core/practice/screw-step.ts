/** Turns of the mixture screw between two points at which the idle of a practice engine is handed over. */
export const SCREW_STEP = 0.125;
