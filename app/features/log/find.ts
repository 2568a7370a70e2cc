/** Find looks through all rigs, so it stands outside this one; it knows the way back. */
import { redirect, type ClientLoaderFunctionArgs } from "react-router";

export const clientLoader = ({ params }: ClientLoaderFunctionArgs) =>
  redirect(`/find?${new URLSearchParams({ from: params["rigId"] ?? "" }).toString()}`);
