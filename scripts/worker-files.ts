/** What a worker of the built app asks for, and that none of it draws: a worker has no page. */

const WORKER = /\.worker-[\w-]+\.js$/;
const DRAWS = /^(react|libraries|house)-/;

/** @returns the files that one of the built files imports as it is read */
const importsOf = (text: string): string[] =>
  [...text.matchAll(/(?:from|import)\s*["']\.\/([^"']+)["']/g)].flatMap(([, name]) => name ?? []);

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
        if (DRAWS.test(name)) return [way.join(" > ")];
        if (seen.has(name)) continue;
        seen.add(name);
        for (const next of importsOf(textOf(name))) ahead.push([...way, next]);
      }
      return [];
    });
}
