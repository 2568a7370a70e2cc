/**
 * Which file of the build a module goes into. The bundler's own way makes a file for every set of screens that share a
 * module: 165 of them before the first card. Here what a visit opens with (the index routes and what stands around
 * them) and the judge's worker come in a few files, by what they import; what later screens share is merged.
 */
import type { Plugin, Rolldown } from "vite";

type CodeSplittingGroup = Rolldown.CodeSplittingGroup;

/** What a build knows of its modules. */
export interface Graph {
  getModuleInfo(id: string): { readonly importedIds: readonly string[] } | null;
}

/** As in app/routes.ts. */
interface RouteEntry {
  readonly file: string;
  readonly index?: boolean | undefined;
  readonly children?: readonly RouteEntry[] | undefined;
}

const JUDGE = /[\\/]judge\.worker\.ts$/;
const OTHER_WORKER = /[\\/]\w[\w-]*(?<!judge)\.worker\.ts$/;
const ENTRY = /[\\/]entry\.client\.tsx$/;
/** The parts of a route module that its screen is drawn by; what the router makes of each stands after the `?`. */
const ROUTE_PART = /\?(__react-router-build-client-route|route-chunk=(main|clientLoader))$/;
const LIBRARY = /[\\/]node_modules[\\/]/;
/** Large, and asked for by the chart alone. */
const CHARTS = /[\\/]node_modules[\\/](echarts|zrender)[\\/]/;
/** Instruments, real and simulated, and what reads their lines: one file, or small ones would import each other. */
const DEVICES = /[\\/](app[\\/]devices|core[\\/]instruments)[\\/]|running-engine\.ts$/;
/** What these libraries' indexes name and no first screen uses: the writing of schemas, and fields for high contrast. */
const NAMED_ONLY =
  /zod[\\/]v4[\\/]core[\\/](json-schema|to-json-schema)|@mui[\\/]material[\\/]styles[\\/]enhanceHighContrast/;
const SHARED_BY = 3;
/** In bytes: what a few screens share is not put with what others do unless it is smaller. */
const WORTH_ASKING = 5_000;

/** @returns the files of the index routes and of all routes around them */
export const openingFiles = (routes: readonly RouteEntry[]): string[] =>
  routes.flatMap(({ file, index, children = [] }) => {
    const within = openingFiles(children);
    return index || within.length > 0 ? [file, ...within] : [];
  });

/** @returns all that modules import, directly or not, without the modules themselves: an entry stays a file of its own */
export function importedBy(graph: Graph, roots: readonly string[]): Set<string> {
  const found = new Set<string>();
  const ahead = roots.flatMap((id) => graph.getModuleInfo(id)?.importedIds ?? []);
  for (let id = ahead.pop(); id !== undefined; id = ahead.pop()) {
    if (found.has(id) || NAMED_ONLY.test(id)) continue;
    found.add(id);
    ahead.push(...(graph.getModuleInfo(id)?.importedIds ?? []));
  }
  return found;
}

/** @returns a plugin that reads the import graph once it is complete, and the groups that follow from it */
export function chunks(routes: readonly RouteEntry[]): { plugin: Plugin; groups: CodeSplittingGroup[] } {
  const opening = ["root.tsx", ...openingFiles(routes)].map((file) => `/app/${file}`);
  const opens = (id: string): boolean =>
    ENTRY.test(id) ||
    (ROUTE_PART.test(id) &&
      opening.some((file) => id.replaceAll("\\", "/").replace(ROUTE_PART, "").endsWith(file)));
  let [first, judge, workers] = [new Set<string>(), new Set<string>(), new Set<string>()];
  const plugin: Plugin = {
    name: "chunks",
    apply: "build",
    buildEnd() {
      if (this.environment.name !== "client") return;
      const ids = [...this.getModuleIds()];
      first = importedBy(this, ids.filter(opens));
      judge = importedBy(
        this,
        ids.filter((id) => JUDGE.test(id)),
      );
      workers = importedBy(
        this,
        ids.filter((id) => OTHER_WORKER.test(id)),
      );
    },
  };
  // The order counts: what a group imports comes into it unless one before has it.
  const groups: CodeSplittingGroup[] = [
    { name: "core", test: (id) => first.has(id) && judge.has(id) },
    { name: "judge", test: (id) => judge.has(id) },
    { name: "store", test: (id) => first.has(id) && workers.has(id) },
    { name: "libraries", test: (id) => first.has(id) && LIBRARY.test(id) },
    { name: "house", test: (id) => first.has(id) },
    { name: "workers", test: (id) => workers.has(id), minShareCount: 2, entriesAware: true },
    {
      name: "charts",
      test: (id) => CHARTS.test(id),
      entriesAware: true,
      entriesAwareMergeThreshold: WORTH_ASKING,
    },
    { name: "devices", test: (id) => DEVICES.test(id), minShareCount: SHARED_BY },
    {
      name: "later",
      minShareCount: SHARED_BY,
      entriesAware: true,
      entriesAwareMergeThreshold: WORTH_ASKING,
    },
  ];
  return { plugin, groups };
}
