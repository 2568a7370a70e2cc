/** When a word of a right setting is no longer believed. Apart from claims.ts: screens ask it too. */
import type { WeighedClaim } from "./claims.ts";

/** @returns is it likelier another machine's? Then it vouches for nothing, and is doubted aloud. */
export const isDoubted = ({ chance }: Pick<WeighedClaim, "chance">): boolean => chance < 0.5;
