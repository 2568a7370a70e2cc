/** Shown while something is opened; says what. */
export function Working({ words }: { words: string }) {
  return (
    <p className="working quiet" role="status">
      {words}
    </p>
  );
}
