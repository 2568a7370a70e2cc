/** Schema pieces shared by machines and spare parts. */
import * as z from "zod/mini";

export const within = ({ min, max }: { min: number; max: number }) =>
  z.number().check(z.gte(min), z.lte(max));
export const mm = (min: number, max: number) => z.number().check(z.gte(min), z.lte(max));
/** a few words on one line */
export const Words = z.string().check(z.trim(), z.maxLength(60));
/** Of a logger's file so many places are kept. */
export const MOST_RIDDEN = 150;
