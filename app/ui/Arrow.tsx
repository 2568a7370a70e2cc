export function Arrow() {
  return (
    <svg width="20" height="14" viewBox="0 0 20 14" aria-label="to" role="img">
      <path d="M1 7h16M12 2l5.5 5L12 12" fill="none" stroke="currentColor" strokeWidth="2.25" />
    </svg>
  );
}
