/** `["rigs", 0, "entries", 3]` as `rigs[0].entries[3]` */
export function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, key) =>
      typeof key === "number" ? `${text}[${key}]` : `${text}${text === "" ? "" : "."}${String(key)}`,
    "",
  );
}
