/**
 * Root of a falling function by halving. 60 halvings shrink any interval below the spacing of doubles,
 * so there is nothing to tune and no way not to converge.
 * @param falling - positive at `low`, negative at `high` (ends are returned when it has no sign change)
 */
export function bisectFalling(falling: (x: number) => number, low: number, high: number): number {
  let a = low;
  let b = high;
  for (let i = 0; i < 60; i += 1) {
    const middle = (a + b) / 2;
    if (falling(middle) > 0) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}
