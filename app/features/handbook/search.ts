/** Search over the handbook's pages: an index made by the build, loaded when it is first asked. */
import MiniSearch from "minisearch";
import { SEARCH_FILE, SEARCH_OPTIONS } from "#app/vocabulary/handbook-search.ts";

export interface Hit {
  readonly slug: string;
  readonly title: string;
}

const MOST_HITS = 12;
let index: Promise<MiniSearch> | undefined;

async function load(): Promise<MiniSearch> {
  const response = await fetch(SEARCH_FILE);
  if (!response.ok) throw new Error(`the index did not come (${response.status})`);
  return MiniSearch.loadJSON(await response.text(), SEARCH_OPTIONS);
}

/** @returns pages that hold these words, or some like them, the best first; @throws {Error} where there is no index */
export async function searchHandbook(words: string): Promise<Hit[]> {
  index ??= load().catch((error: unknown) => {
    index = undefined;
    throw error;
  });
  return (await index)
    .search(words)
    .slice(0, MOST_HITS)
    .map(({ id, title }) => ({ slug: String(id), title: String(title) }));
}
