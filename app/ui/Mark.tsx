/** The sieve: Tamis's own mark. */
const HOLES = [
  [16, 7],
  [11, 9.5],
  [21, 9.5],
  [7.5, 13.5],
  [16, 12.5],
  [24.5, 13.5],
  [11.5, 16],
  [20.5, 16],
  [16, 25],
  [7.5, 18.8],
  [24.5, 18.8],
  [11, 22.5],
  [21, 22.5],
] as const;

export function Mark({ size = 32 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true">
      <circle cx="16" cy="16" r="14" fill="none" stroke="currentColor" strokeWidth="2.5" />
      {HOLES.map(([x, y]) => (
        <circle key={`${x} ${y}`} cx={x} cy={y} r="1.4" fill="currentColor" />
      ))}
      <circle cx="16" cy="18.7" r="2.4" fill="var(--brass)" />
    </svg>
  );
}
