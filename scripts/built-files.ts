/** Checks the built chunks: workers import no drawing code, and workers and pages share no chunk they should not. */

const WORKER = /\.worker-[\w-]+\.js$/;
/** React names its elements so, in the one file of the build that has it. */
const DRAWS = /react\.transitional\.element/;

/** @returns the files that one of the built files imports as it is read */
const importsOf = (text: string): string[] =>
  [...text.matchAll(/(?:from|import)\s*["'`]\.\/([^"'`]+)["'`]/g)].flatMap(([, name]) => name ?? []);

/**
 * @param textOf - of a file of the build, by its name
 * @returns for each worker that asks for what draws, the way from it to that, `a.worker-x.js > later-y.js > react-z.js`
 */
export function drawingWorkers(names: readonly string[], textOf: (name: string) => string): string[] {
  return names
    .filter((name) => WORKER.test(name))
    .flatMap((worker) => {
      const seen = new Set<string>();
      const ahead: string[][] = [[worker]];
      for (let way = ahead.shift(); way; way = ahead.shift()) {
        const name = way.at(-1) ?? "";
        if (DRAWS.test(textOf(name))) return [way.join(" > ")];
        if (seen.has(name)) continue;
        seen.add(name);
        for (const next of importsOf(textOf(name))) ahead.push([...way, next]);
      }
      return [];
    });
}

/**
 * Files that import each other in a ring may run before what they stand on, and have made a screen that loaded itself
 * for ever.
 * @returns one way round for each ring, `later-x.js > later-y.js > later-x.js`
 */
export function rings(names: readonly string[], textOf: (name: string) => string): string[] {
  const done = new Set<string>();
  const found: string[] = [];
  const follow = (name: string, way: readonly string[]): void => {
    const from = way.indexOf(name);
    if (from >= 0) found.push([...way.slice(from), name].join(" > "));
    if (from >= 0 || done.has(name)) return;
    for (const next of importsOf(textOf(name))) follow(next, [...way, name]);
    done.add(name);
  };
  for (const name of names) follow(name, []);
  return found;
}
