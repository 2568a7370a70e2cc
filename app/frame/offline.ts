/** Kept for no signal, and told when a new Tamis is ready; an old tab goes on as it is until it is asked to. */
import { Workbox } from "workbox-window";
import type { Said } from "#app/ui/Toast.tsx";

export function keepOffline(say: (said: Said) => void): void {
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
  workbox.addEventListener("waiting", offer);
  workbox.addEventListener("controlling", ({ isUpdate }) => {
    if (asked) location.reload();
    // Another tab has loaded it: what is open and typed here stays until this one is loaded anew too.
    else if (isUpdate)
      say({
        words: "Tamis was renewed in another tab. What is open here goes on; load it when you have saved.",
        stays: true,
        action: { words: "Load it", run: () => location.reload() },
      });
  });
  // Where nothing may be kept, Tamis works with a signal alone.
  workbox.register().catch(() => undefined);
}
