/** Where a λ sensor sits, and how far it then errs. */
export const SENSOR_PLACES = [
  { value: "inside", text: "Well inside the pipe", note: "± 1.5 %" },
  { value: "openEnd", text: "Near the open end", note: "± 5 %: air is drawn in" },
] as const;
