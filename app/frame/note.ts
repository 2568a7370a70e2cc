/** Form of a free note, kept as a draft until it is saved. */
import * as z from "zod/mini";

export const NOTE = "note";
export const NoteText = z.string().check(z.trim(), z.minLength(1, "Write a note first."), z.maxLength(2000));
