/** Every screen of a rig stands in here: what goes wrong with one leaves the rig's frame standing. */
import { isRouteErrorResponse, Outlet, useOutletContext } from "react-router";
import type { Route } from "./+types/screen";
import { Trouble } from "#app/ui/Trouble.tsx";
import { errorWords } from "#app/ui/error-words.ts";

export default function Screen() {
  return <Outlet context={useOutletContext()} />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <Trouble message={errorWords(isRouteErrorResponse(error) ? String(error.data) : error)} inside />;
}
