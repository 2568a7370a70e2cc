/** How the handbook's index is made, and asked: the same on both sides. */
export const SEARCH_FILE = "/handbook-search.json";
export const SEARCH_OPTIONS = {
  fields: ["title", "text"],
  storeFields: ["title"],
  idField: "slug",
  searchOptions: { prefix: true, fuzzy: 0.2, boost: { title: 3 }, combineWith: "AND" as const },
};
