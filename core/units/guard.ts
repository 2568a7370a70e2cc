/**
 * Range checks of arguments: a `RangeError` that names the quantity, the rule and the value. Comparisons are
 * negated so that NaN fails every one of them.
 */

/** What cannot be: the field it is about, the rule it breaks, the value that breaks it. */
export class Refusal extends RangeError {
  override readonly name = "RangeError";
  readonly field: string;
  readonly rule: string;
  readonly value: string;
  constructor(field: string, rule: string, value: unknown) {
    super(`${field} ${rule}, got ${String(value)}`);
    this.field = field;
    this.rule = rule;
    this.value = String(value);
  }
}

/** @returns what comes of it, or what refuses it; any other error goes on */
export function attempt<T>(work: () => T): T | Refusal {
  try {
    return work();
  } catch (error) {
    if (error instanceof Refusal) return error;
    if (error instanceof RangeError) return new Refusal("", error.message, "that");
    throw error;
  }
}

/** @returns what refuses it, nothing where all can be; any other error goes on */
export function refusalOf(check: () => void): Refusal | undefined {
  const tried = attempt(check);
  return tried instanceof Refusal ? tried : undefined;
}

/** @returns the value itself when `min <= value <= max`; @throws {RangeError} otherwise, NaN included */
export function requireRange(name: string, value: number, min: number, max: number, unit = ""): number {
  if (!(value >= min && value <= max)) {
    const tail = unit === "" ? "" : ` ${unit}`;
    throw new Refusal(name, `must be in ${min}..${max}${tail}`, value);
  }
  return value;
}

/** @returns the value itself when it is a finite number above zero; @throws {RangeError} otherwise */
export function requirePositive(name: string, value: number): number {
  if (!(value > 0 && value < Infinity)) {
    throw new Refusal(name, "must be a number above 0", value);
  }
  return value;
}

/** @returns the value itself when it is a finite number; @throws {RangeError} otherwise */
export function requireFinite(name: string, value: number): number {
  if (!Number.isFinite(value)) throw new Refusal(name, "must be a finite number", value);
  return value;
}

/** @returns the value itself when it is a whole number in the range; @throws {RangeError} otherwise */
export function requireWhole(name: string, value: number, min: number, max: number): number {
  if (!Number.isInteger(value)) throw new Refusal(name, "must be a whole number", value);
  return requireRange(name, value, min, max);
}
