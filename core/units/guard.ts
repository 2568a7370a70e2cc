/**
 * The one rule for bad input in the core: a `RangeError` that names the quantity, the rule and the value.
 * Comparisons are negated so that NaN fails every one of them.
 */

/** @returns the value itself when `min <= value <= max`; @throws {RangeError} otherwise, NaN included */
export function requireRange(name: string, value: number, min: number, max: number, unit = ""): number {
  if (!(value >= min && value <= max)) {
    const tail = unit === "" ? "" : ` ${unit}`;
    throw new RangeError(`${name} must be in ${min}..${max}${tail}, got ${String(value)}`);
  }
  return value;
}

/** @returns the value itself when it is a finite number above zero; @throws {RangeError} otherwise */
export function requirePositive(name: string, value: number): number {
  if (!(value > 0 && value < Infinity)) {
    throw new RangeError(`${name} must be a number above 0, got ${String(value)}`);
  }
  return value;
}

/** @returns the value itself when it is a finite number; @throws {RangeError} otherwise */
export function requireFinite(name: string, value: number): number {
  if (!Number.isFinite(value)) throw new RangeError(`${name} must be a finite number, got ${String(value)}`);
  return value;
}

/** @returns the value itself when it is a whole number in the range; @throws {RangeError} otherwise */
export function requireWhole(name: string, value: number, min: number, max: number): number {
  if (!Number.isInteger(value)) throw new RangeError(`${name} must be a whole number, got ${String(value)}`);
  return requireRange(name, value, min, max);
}
