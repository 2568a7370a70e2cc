/** Pieces that the schemas of machines and of parts share. */
import * as z from "zod";

export const within = ({ min, max }: { min: number; max: number }) => z.number().min(min).max(max);
export const mm = (min: number, max: number) => z.number().min(min).max(max);
/** a few words on one line */
export const Words = z.string().trim().max(60);
/** Of a logger's file so many places are kept. */
export const MOST_RIDDEN = 150;
