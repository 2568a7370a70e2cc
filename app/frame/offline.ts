/** Registers the service worker and says when a newer version is ready. */
import { Workbox } from "workbox-window";
import type { Said } from "#app/ui/Passing.tsx";

/** @param begunUnder - the worker that this page was loaded by: another tab may have renewed it since */
export function keepOffline(say: (said: Said) => void, begunUnder: ServiceWorker | null): void {
  const workbox = new Workbox("/sw.js");
  let asked = false;
  const offer = () =>
    say({
      words: "A new Tamis is ready.",
      stays: true,
      action: {
        words: "Load it",
        run: () => {
          asked = true;
          workbox.messageSkipWaiting();
        },
      },
    });
  // Another tab has loaded it: what is open and typed here stays until this one is loaded anew too.
  const sayRenewed = () =>
    say({
      words: "Tamis was renewed in another tab. This page still works; load the new one when you have saved.",
      stays: true,
      action: { words: "Load it", run: () => location.reload() },
    });
  workbox.addEventListener("waiting", offer);
  const { serviceWorker } = navigator;
  let under = begunUnder;
  const lookWhoServes = () => {
    if (serviceWorker.controller === under) return;
    if (asked) location.reload();
    else if (under) sayRenewed();
    under = serviceWorker.controller;
  };
  // Heard from now on, not once registered: that takes as long as another tab's download.
  serviceWorker.addEventListener("controllerchange", lookWhoServes);
  lookWhoServes();
  // Where nothing may be kept, Tamis works with a signal alone.
  workbox.register().catch(() => undefined);
}
