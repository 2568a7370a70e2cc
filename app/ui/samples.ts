/** Loads sample files that ship with the app. */

/** @throws {Error} with words for the screen */
export async function fetchSample(name: string): Promise<Blob> {
  const missing = new Error("The sample is not here. Open the app once with a signal, then it stays.");
  const answer = await fetch(`/samples/${name}`).catch(() => {
    throw missing;
  });
  if (!answer.ok) throw missing;
  return answer.blob();
}
