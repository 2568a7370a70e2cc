/**
 * Memoises a function of one number. Of several numbers: one inside the other, which is quicker than making a text
 * of them.
 * @example const area = remembered((width) => remembered((height) => width * height)); area(2)(3)
 */
export function remembered<T extends object | number>(make: (value: number) => T): (value: number) => T {
  const known = new Map<number, T>();
  return (value) => {
    const before = known.get(value);
    if (before !== undefined) return before;
    const made = make(value);
    known.set(value, made);
    return made;
  };
}
