/** Maps cylinders to carburettors. */
import type { Build } from "./schema.ts";

/** @returns the carburettor (from 0) that feeds a cylinder (from 0): shared out evenly, in order */
export const carburettorOf = ({ engine, carburettors = 1 }: Build, cylinder: number): number =>
  Math.min(carburettors - 1, Math.floor((cylinder * carburettors) / engine.cylinders));
