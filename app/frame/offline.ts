/** Registers the service worker and says when a newer version is ready. */
import { Workbox } from "workbox-window";
import type { Said } from "#app/ui/Passing.tsx";

/** Then the page is loaded anew, whether the new worker serves it or not. */
const TAKES_OVER_MS = 2000;

/**
 * @param begunUnder - the worker that this page was loaded by: another tab may have renewed it since
 * @param loadAnew - loads this page once more
 */
export function keepOffline(
  say: (said: Said) => void,
  begunUnder: ServiceWorker | null,
  loadAnew: () => void = () => location.reload(),
): void {
  const workbox = new Workbox("/sw.js");
  let asked: ReturnType<typeof setTimeout> | undefined;
  const offer = () =>
    say({
      words: "A new Tamis is ready.",
      stays: true,
      action: {
        words: "Load it",
        run: () => {
          workbox.messageSkipWaiting();
          // Browsers leave a worker waiting for minutes that was told to take over while the one before was at work.
          // Loading the page lets it in at once.
          asked = setTimeout(loadAnew, TAKES_OVER_MS);
        },
      },
    });
  // Another tab has loaded it: what is open and typed here stays until this one is loaded anew too.
  const sayRenewed = () =>
    say({
      words: "Tamis was renewed in another tab. This page still works; load the new one when you have saved.",
      stays: true,
      action: { words: "Load it", run: loadAnew },
    });
  workbox.addEventListener("waiting", offer);
  const { serviceWorker } = navigator;
  let under = begunUnder;
  const lookWhoServes = () => {
    if (serviceWorker.controller === under) return;
    if (asked !== undefined) {
      // Loaded twice, a slow phone would begin again.
      clearTimeout(asked);
      loadAnew();
    } else if (under) sayRenewed();
    under = serviceWorker.controller;
  };
  // Heard from now on, not once registered: that takes as long as another tab's download.
  serviceWorker.addEventListener("controllerchange", lookWhoServes);
  lookWhoServes();
  // Where nothing may be kept, Tamis works with a signal alone.
  workbox.register().catch(() => undefined);
}
