/** What a tab is called: the screen, the rig, Tamis. */
import { PLACES } from "./places.ts";

/** Screens that have no place of their own in the rail. */
const MORE: Readonly<Record<string, string>> = {
  measure: "What to measure",
  needle: "Needle",
  box: "Jet box",
  parts: "Parts on the bench",
  base: "Base sheet",
  teardown: "Teardown",
  work: "Work",
  schools: "Ways of working",
  "idle-speed": "Idle speed",
  balance: "Balance",
  stopwatch: "Stopwatch",
  logger: "Logger’s file",
  map: "Map of the mixture",
  days: "Days like today",
  compare: "Two days",
  then: "As it was then",
  route: "Route",
  season: "Season",
  places: "Places",
};

/** @param address - `/rigs/x/look` */
export function titleOf(address: string, rigName: string | undefined): string {
  const [path = ""] = address.split("/").slice(3);
  const screen = MORE[path] ?? PLACES.find((place) => place.path === path)?.name ?? "Rig";
  return [screen, rigName, "Tamis"].filter((part) => part !== undefined).join(" · ");
}
