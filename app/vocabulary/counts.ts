/** @returns `1 entry`, `12 entries` */
export const countWords = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;
