/** Pages of the handbook that the app leads to: of a rig's place, of a check, of a fault. */
import type { FaultName } from "#core/log/fault-names.ts";
import type { CheckName } from "#core/log/walk-round-names.ts";

export const handbookHref = (slug: string): string => `/handbook/${slug}`;
export const checkPage = (check: CheckName): string => handbookHref(`checks/${check}`);
export const faultPage = (fault: FaultName): string => handbookHref(`faults/${fault}`);
export const LAW_PAGE = handbookHref("law");

/** By the path of a screen; where it has none of its own, by the name of its place. */
const PAGES: Readonly<Record<string, string>> = {
  Practice: "start",
  Today: "start",
  Air: "air",
  "Walk-round": "walk-round",
  Idle: "idle",
  "idle-speed": "pump",
  Look: "plug",
  stopwatch: "stopwatch",
  logger: "lambda",
  Change: "change",
  Cylinders: "cylinders",
  balance: "balance",
  Sieve: "decides",
  Ahead: "day",
  chart: "chart",
  Log: "record",
  Rig: "rig",
  schools: "disagree",
};

/** @returns the page of a screen, or of one check of the walk-round */
export function pageOfScreen(place: string, path: string): string | undefined {
  const [screen = "", check] = path.split("/");
  if (screen === "walk-round" && check !== undefined) return checkPage(check as CheckName);
  const slug = PAGES[screen] ?? PAGES[place];
  return slug === undefined ? undefined : handbookHref(slug);
}

/** @returns the address of a page that knows where it was opened from */
export const leadingBack = (page: string, from: string): string =>
  `${page}?${new URLSearchParams({ from }).toString()}`;
