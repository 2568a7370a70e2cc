/** What a tab is called: the screen, the rig, Tamis. */
import { PLACES } from "./places.ts";

/** @param address - `/rigs/x/look` */
export function titleOf(address: string, rigName: string | undefined): string {
  const [path = ""] = address.split("/").slice(3);
  const screens = PLACES.flatMap(({ screens: own, within = [] }) => [...own, ...within]);
  const screen = screens.find((one) => one.path.split("?")[0] === path);
  return [screen ? (screen.title ?? screen.name) : "Rig", rigName, "Tamis"]
    .filter((part) => part !== undefined)
    .join(" · ");
}
