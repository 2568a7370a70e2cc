/** Practice rigs are known by their ids; where such a rig's things are kept is decided here alone. */
import { database, practiceDatabase } from "./database.ts";

export const PRACTICE_PREFIX = "practice:";

/** @returns whether a rig's engine is simulated, and its log kept apart from the book */
export const isPractice = (rigId: string): boolean => rigId.startsWith(PRACTICE_PREFIX);

/** Lists of rigs ask the book's alone. */
export const databaseOf = (rigId: string): typeof database =>
  isPractice(rigId) ? practiceDatabase : database;
