/** Fuels that are known by name. */
export const FUEL_NAMES = [
  ["petrol", "Petrol"],
  ["petrol-e10", "Petrol, 10 % ethanol"],
  ["e85", "E85"],
  ["methanol", "Methanol"],
] as const;
