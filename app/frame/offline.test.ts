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

test("Load it loads the page anew, even where the browser lets the new build wait", async () => {
  const waiting = Object.assign(new EventTarget(), { scriptURL: "/sw.js", postMessage: jest.fn() });
  const registration = Object.assign(new EventTarget(), { waiting });
  const busy = Object.assign(new Busy(), {
    controller: first,
    register: () => Promise.resolve(registration),
  });
  Object.defineProperty(navigator, "serviceWorker", { value: busy, configurable: true });
  // jsdom has none, and nothing is answered here.
  Object.assign(window, {
    MessageChannel: class {
      readonly port1 = {};
      readonly port2 = {};
    },
  });
  const said: Said[] = [];
  const loadAnew = jest.fn();
  keepOffline((one) => said.push(one), first, loadAnew);
  await new Promise((resolve) => setTimeout(resolve, 50));
  expect(said.map(({ words }) => words)).toEqual(["A new Tamis is ready."]);

  jest.useFakeTimers();
  said[0]?.action?.run();
  expect(waiting.postMessage).toHaveBeenCalledWith({ type: "SKIP_WAITING" }, expect.anything());
  expect(loadAnew).not.toHaveBeenCalled();
  jest.advanceTimersByTime(5000);
  expect(loadAnew).toHaveBeenCalledTimes(1);

  said[0]?.action?.run();
  busy.takeOver(second);
  jest.advanceTimersByTime(5000);
  expect(loadAnew).toHaveBeenCalledTimes(2);
  jest.useRealTimers();
});
