/** Addresses of the handbook's pages, for the build: those with a file of their own, and those made from the screens' words. */
import { readdirSync } from "node:fs";
import { FAULT_NAMES } from "../core/log/fault-names.ts";
import { CHECKS } from "../core/log/walk-round-names.ts";

/** Written pages, by the name of their file. */
export const WRITTEN: readonly string[] = readdirSync("app/features/handbook/pages").map((name) =>
  name.replace(/\.mdx$/, ""),
);

export const ADDRESSES: readonly string[] = [
  "",
  ...WRITTEN,
  ...CHECKS.map((check) => `checks/${check}`),
  ...FAULT_NAMES.map((fault) => `faults/${fault}`),
].map((slug) => (slug === "" ? "/handbook" : `/handbook/${slug}`));
