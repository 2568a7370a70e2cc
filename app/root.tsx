import "@fontsource/barlow-condensed/latin-400.css";
import "@fontsource/barlow-condensed/latin-500.css";
import "@fontsource/barlow-condensed/latin-600.css";
import "@fontsource/barlow-condensed/latin-700.css";
import "@fontsource-variable/atkinson-hyperlegible-next/index.css";
import "./theme/base.css";
import "./ui/pieces.css";
import InitColorSchemeScript from "@mui/system/InitColorSchemeScript";
import { useEffect, type ReactNode } from "react";
import "#app/workers/strict.ts";
import { isRouteErrorResponse, Links, Meta, Outlet, Scripts, ScrollRestoration } from "react-router";
import type { Route } from "./+types/root";
import { errorWords } from "./ui/error-words.ts";
import { Trouble } from "./ui/Trouble.tsx";
import { useFocusHeading } from "./ui/use-focus-heading.ts";
import { ToastPlace, useToast } from "./ui/Toast.tsx";
import { Working } from "./ui/Working.tsx";
import { keepBackups } from "./journal/backup.ts";
import { loadDemoOnFirstVisit } from "./journal/demo.ts";
import { DAY, NIGHT } from "./theme/colours.ts";
import { Theme } from "./theme/Theme.tsx";
import { sweepBook } from "./store/book.ts";
import { setRegion } from "./vocabulary/numerals.ts";
import { LIGHT_ATTRIBUTE, LIGHT_KEYS } from "./theme/light-keys.ts";

if (typeof navigator !== "undefined") setRegion(navigator.language);

export const meta = () => [{ title: "Tamis" }];

/** Before any loader reads the log: on the first visit the demo is put there. */
export const clientMiddleware: Route.ClientMiddlewareFunction[] = [
  async (_, next) => {
    if (import.meta.env.VITE_DEMO) await loadDemoOnFirstVisit();
    return next();
  },
];

export function Layout({ children }: { children: ReactNode }) {
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover" />
        <meta name="theme-color" content={DAY.paper} media="(prefers-color-scheme: light)" />
        <meta name="theme-color" content={NIGHT.paper} media="(prefers-color-scheme: dark)" />
        <meta
          name="description"
          content="Jetting for slide carburettors: from today’s air and one plug to the one change to make"
        />
        <link rel="icon" href="/tamis.svg" type="image/svg+xml" />
        <link rel="apple-touch-icon" href="/tamis-180.png" />
        <link rel="manifest" href="/tamis.webmanifest" />
        <Meta />
        <Links />
      </head>
      <body>
        <InitColorSchemeScript
          attribute={LIGHT_ATTRIBUTE}
          modeStorageKey={LIGHT_KEYS.mode}
          colorSchemeStorageKey={LIGHT_KEYS.scheme}
          defaultMode="system"
        />
        <Theme>{children}</Theme>
        <ScrollRestoration />
        <Scripts />
      </body>
    </html>
  );
}

const FIRST_SCREEN_STANDS_MS = 2000;

/** What is about the next visit waits until this one's first screen stands. */
function ForNextVisit() {
  const say = useToast();
  useEffect(() => {
    if (!import.meta.env.PROD || !("serviceWorker" in navigator)) return;
    const { controller } = navigator.serviceWorker;
    const keep = () =>
      import("./frame/offline.ts").then(
        ({ keepOffline }) => keepOffline(say, controller),
        () => undefined,
      );
    const timer = setTimeout(() => void keep(), FIRST_SCREEN_STANDS_MS);
    return () => clearTimeout(timer);
  }, [say]);
  useEffect(() => {
    const timer = setTimeout(() => void sweepBook(), FIRST_SCREEN_STANDS_MS);
    return () => clearTimeout(timer);
  }, []);
  useEffect(keepBackups, []);
  return null;
}

export default function App() {
  useFocusHeading();
  return (
    <ToastPlace>
      <ForNextVisit />
      <Outlet />
    </ToastPlace>
  );
}

export function HydrateFallback() {
  return <Working words="Opening the box…" />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <Trouble message={errorWords(isRouteErrorResponse(error) ? String(error.data) : error)} />;
}
