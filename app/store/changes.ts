/** Broadcasts to other tabs that a rig has changed. */

/**
 * One channel a tab, for telling and for hearing: a tab does not hear itself, whose own save would else be superseded by
 * a reading of the same log. Unavailable in some embedded browsers: then other tabs see the change when next loaded.
 */
let channel: BroadcastChannel | undefined;

function open(): BroadcastChannel | undefined {
  if (typeof BroadcastChannel === "undefined") return undefined;
  channel ??= new BroadcastChannel("tamis-changes");
  return channel;
}

const here = new Set<() => void>();

/** Of a rig that is not of the book: no backup is due for it. */
export const tellOtherTabsAlone = (rigId: string): void => open()?.postMessage(rigId);

export function tellOtherTabs(rigId: string): void {
  tellOtherTabsAlone(rigId);
  for (const heard of here) heard();
}

/** @returns how to stop hearing of what is written in this tab */
export function onChangeHere(listener: () => void): () => void {
  here.add(listener);
  return () => here.delete(listener);
}

/** @returns how to stop listening */
export function onChangeElsewhere(listener: (rigId: string) => void): () => void {
  const heard = (event: MessageEvent<unknown>) => {
    if (typeof event.data === "string") listener(event.data);
  };
  const opened = open();
  opened?.addEventListener("message", heard);
  return () => opened?.removeEventListener("message", heard);
}
