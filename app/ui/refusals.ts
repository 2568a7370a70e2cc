/** What the save refused, by field, shown until the form is sent again. */
import { createContext, use } from "react";

export const Refusals = createContext<Readonly<Record<string, string>>>({});

/** @returns what is wrong in a field by the book's word */
export const useRefused = (name: string): string | undefined => use(Refusals)[name];
