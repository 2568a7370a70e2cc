/** @jest-environment <rootDir>/jest.jsdom-env.cjs */
import type { Said } from "#app/ui/Passing.tsx";
import { keepOffline } from "./offline.ts";

/** A browser's service worker whose registering never ends: another tab is just bringing a new one in. */
class Busy extends EventTarget {
  controller: ServiceWorker | null = null;
  register = () => new Promise<never>(() => undefined);
  takeOver(by: ServiceWorker) {
    this.controller = by;
    this.dispatchEvent(new Event("controllerchange"));
  }
}

const [first, second] = [{}, {}] as [ServiceWorker, ServiceWorker];
const RENEWED = /^Tamis was renewed in another tab/;

function tab(begunUnder: ServiceWorker | null, now = begunUnder) {
  const busy = Object.assign(new Busy(), { controller: now });
  Object.defineProperty(navigator, "serviceWorker", { value: busy, configurable: true });
  const said: Said[] = [];
  keepOffline((one) => said.push(one), begunUnder);
  return { busy, words: () => said.map(({ words }) => words) };
}

test("a new build that takes over while this tab is still registering is told", () => {
  const { busy, words } = tab(first);
  busy.takeOver(second);
  expect(words()).toEqual([expect.stringMatching(RENEWED)]);
});

test("a new build that took over while this tab was still loading is told", () => {
  expect(tab(first, second).words()).toEqual([expect.stringMatching(RENEWED)]);
});

test("the first visit is no renewal, what comes after it is", () => {
  const { busy, words } = tab(null);
  busy.takeOver(first);
  expect(words()).toEqual([]);
  busy.takeOver(second);
  expect(words()).toEqual([expect.stringMatching(RENEWED)]);
});
