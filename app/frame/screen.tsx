/** Error boundary around each screen of a rig, so that the frame stays usable. */
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
