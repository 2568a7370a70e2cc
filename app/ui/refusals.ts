/** What the book has refused of a form, by field: it stands there until the form is sent again. */
import { createContext, use } from "react";

export const Refusals = createContext<Readonly<Record<string, string>>>({});

/** @returns what is wrong in a field by the book's word */
export const useRefused = (name: string): string | undefined => use(Refusals)[name];
