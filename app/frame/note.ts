/** A line of one's own: what is typed is kept until it is saved, as a form's texts are. */
import * as z from "zod/mini";

export const NOTE = "note";
export const NoteText = z.string().check(z.trim(), z.minLength(1, "Write a note first."), z.maxLength(2000));
