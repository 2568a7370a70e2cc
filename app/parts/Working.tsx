/** Shown while something is opened; says what. */
export function Working({ words }: { words: string }) {
  return (
    <p className="quiet" role="status" style={{ padding: 24 }}>
      {words}
    </p>
  );
}
