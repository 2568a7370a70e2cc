/**
 * Which file of the build a module goes into. What the first screens need stands apart from all else, by what they
 * import: the page's own code, its libraries, the core that the judge reads too, and what the judge has for itself. What
 * only later screens share comes with the first of them. A hundred small files take longer to ask for than to read.
 */
import type { Plugin, Rolldown } from "vite";

type CodeSplittingGroup = Rolldown.CodeSplittingGroup;

/** What a build knows of its modules. */
export interface Graph {
  getModuleInfo(id: string): { readonly importedIds: readonly string[] } | null;
}

/** The screens that a visit opens with, and what they wait for. */
const FIRST_SCREENS =
  /entry\.client\.tsx$|[\\/]app[\\/](root|frame[\\/](route|screen)|features[\\/](paddock|today)[\\/]route)\.tsx\?(__react-router-build-client-route|route-chunk=(main|clientLoader))$/;
/** What comes after their card, at once: all that it is tapped with, and what is about the next visit. */
const AFTER_THE_CARD =
  /[\\/]app[\\/](theme[\\/]Dressed|journal[\\/]backup|frame[\\/](offline|IKnow|card[\\/](CardTaps|CarburettorTabs))|features[\\/](paddock[\\/]EmptyPaddock|today[\\/]TodaysWork)|ui[\\/](CautionIcon|LightButton|Dressed(Link|Reload)))\.tsx?$/;
const JUDGE = /[\\/]judge\.worker\.ts$/;
const OTHER_WORKER = /[\\/]\w[\w-]*(?<!judge)\.worker\.ts$/;
const LIBRARY = /[\\/]node_modules[\\/]/;
const REACT = /[\\/]node_modules[\\/](react|react-dom|scheduler)[\\/]/;
/** Large ones that come alone, when they are asked for. */
const CHARTS = /[\\/]node_modules[\\/](echarts|zrender)[\\/]/;
/** The theme names fields' parts, which come with the first field; what describes schemas comes with the files. */
const LATER =
  /zod[\\/]v4[\\/]core[\\/](json-schema|to-json-schema)|@mui[\\/]material[\\/](styles[\\/]enhanceHighContrast|InputBase|FilledInput|OutlinedInput|Input|TextareaAutosize)/;
const SHARED_BY = 3;
/** In bytes: what a few screens share is not put with what others do unless it is smaller. */
const WORTH_ASKING = 5_000;

/** @returns all that modules import, not they themselves: where a build begins is a file of its own */
export function importedBy(graph: Graph, roots: readonly string[]): Set<string> {
  const found = new Set<string>();
  const ahead = roots.flatMap((id) => graph.getModuleInfo(id)?.importedIds ?? []);
  for (let id = ahead.pop(); id !== undefined; id = ahead.pop()) {
    if (found.has(id) || LATER.test(id)) continue;
    found.add(id);
    ahead.push(...(graph.getModuleInfo(id)?.importedIds ?? []));
  }
  return found;
}

/**
 * @returns a plugin that looks at what the modules import once they are all known, and the groups that follow from it
 */
export function chunks(): { plugin: Plugin; groups: CodeSplittingGroup[] } {
  const closures = {
    first: new Set<string>(),
    tapped: new Set<string>(),
    judge: new Set<string>(),
    workers: new Set<string>(),
  };
  const plugin: Plugin = {
    name: "chunks",
    apply: "build",
    buildEnd() {
      if (this.environment.name !== "client") return;
      const ids = [...this.getModuleIds()];
      const allOf = (which: RegExp) =>
        importedBy(
          this,
          ids.filter((id) => which.test(id)),
        );
      closures.first = allOf(FIRST_SCREENS);
      closures.tapped = new Set([...ids.filter((id) => AFTER_THE_CARD.test(id)), ...allOf(AFTER_THE_CARD)]);
      closures.judge = allOf(JUDGE);
      closures.workers = allOf(OTHER_WORKER);
    },
  };
  const first = (id: string): boolean => closures.first.has(id);
  const tapped = (id: string): boolean => closures.tapped.has(id);
  const judge = (id: string): boolean => closures.judge.has(id);
  const workers = (id: string): boolean => closures.workers.has(id);
  // The order counts: what a group imports comes into it unless one before has it.
  const groups: CodeSplittingGroup[] = [
    { name: "core", test: (id) => first(id) && judge(id) },
    { name: "core-tapped", test: (id) => tapped(id) && judge(id) },
    { name: "judge", test: judge },
    { name: "store", test: (id) => first(id) && workers(id) },
    { name: "react", test: (id) => first(id) && REACT.test(id) },
    { name: "libraries", test: (id) => first(id) && LIBRARY.test(id) },
    { name: "house", test: first },
    { name: "store-tapped", test: (id) => tapped(id) && workers(id) },
    { name: "tapped", test: tapped },
    { name: "workers", test: workers, minShareCount: 2, entriesAware: true },
    {
      name: "later",
      test: (id) => !CHARTS.test(id),
      minShareCount: SHARED_BY,
      entriesAware: true,
      entriesAwareMergeThreshold: WORTH_ASKING,
    },
  ];
  return { plugin, groups };
}
