/**
 * The style sheet of what every page has before MUI comes: its baseline, our colours by each light, and the variables
 * that MUI draws with. Written once from the theme, so that a page need not make it anew each time it opens.
 */
import CssBaseline from "@mui/material/CssBaseline";
import GlobalStyles from "@mui/material/GlobalStyles";
import { StyledEngineProvider, ThemeProvider } from "@mui/material/styles";
import { createElement } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { cssVariables, DAY, NIGHT, SUN } from "#app/theme/colours.ts";
import { LIGHT_ATTRIBUTE } from "#app/theme/light-keys.ts";
import { theme } from "#app/theme/theme.ts";

const inLight = (light: string): string => `[${LIGHT_ATTRIBUTE}="${light}"]`;

const ROLES = {
  ":root": cssVariables(DAY),
  [inLight("dark")]: cssVariables(NIGHT),
  [inLight("sun")]: cssVariables(SUN),
  "@media print": {
    [`:root, [${LIGHT_ATTRIBUTE}]`]: cssVariables({ ...DAY, paper: "#fff", sheet: "#fff", ink: "#000" }),
  },
};

/** @returns the sheet as it stands in app/theme/variables.css */
export function themeCss(): string {
  const html = renderToStaticMarkup(
    createElement(
      StyledEngineProvider,
      { enableCssLayer: true },
      createElement(
        ThemeProvider,
        { theme },
        createElement(CssBaseline),
        createElement(GlobalStyles, { styles: ROLES }),
      ),
    ),
  );
  const sheets = [...html.matchAll(/<style[^>]*>([\s\S]*?)<\/style>/g)].map(([, sheet = ""]) => sheet);
  return `/* Written by npm run theme. */\n${sheets.join("\n").replace(/[;{}](?=[^\n])/g, "$&\n")}\n`;
}
