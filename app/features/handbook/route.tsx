/** The handbook's address leads to its first page. */
import { redirect } from "react-router";
import { HANDBOOK, handbookHref } from "#app/vocabulary/handbook.ts";

export const clientLoader = () => redirect(handbookHref(HANDBOOK[0]?.slug ?? "start"));

export default function Handbook() {
  return null;
}
