/** Other tabs are told when a rig has changed here. */

const CHANNEL = "tamis-changes";

/** Unavailable in some embedded browsers: then other tabs see the change when they are next loaded. */
const open = (): BroadcastChannel | undefined =>
  typeof BroadcastChannel === "undefined" ? undefined : new BroadcastChannel(CHANNEL);

export function tellOtherTabs(rigId: string): void {
  const channel = open();
  channel?.postMessage(rigId);
  channel?.close();
}

/** @returns how to stop listening */
export function onChangeElsewhere(listener: (rigId: string) => void): () => void {
  const channel = open();
  if (!channel) return () => undefined;
  channel.onmessage = (event: MessageEvent<unknown>) => {
    if (typeof event.data === "string") listener(event.data);
  };
  return () => channel.close();
}
