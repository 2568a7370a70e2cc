/** Where the needle used to have a screen of its own. */
import { redirect, type ClientLoaderFunctionArgs } from "react-router";
import { NEEDLE } from "./sections.tsx";
import { placeHref } from "#app/frame/places.ts";

export const clientLoader = ({ params }: ClientLoaderFunctionArgs) =>
  redirect(
    `${placeHref(params["rigId"] ?? "", "build")}?${new URLSearchParams({ open: NEEDLE }).toString()}`,
  );
