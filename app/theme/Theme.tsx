/** MUI's theme around every page, with its baseline and our own colours as CSS variables. */
import CssBaseline from "@mui/material/CssBaseline";
import GlobalStyles from "@mui/material/GlobalStyles";
import { StyledEngineProvider, ThemeProvider } from "@mui/material/styles";
import type { ReactNode } from "react";
import { cssVariables, DAY, NIGHT, SUN } from "./colours.ts";
import { LIGHT_ATTRIBUTE, LIGHT_KEYS } from "./light-keys.ts";
import { theme } from "./theme.ts";

const inLight = (light: string): string => `[${LIGHT_ATTRIBUTE}="${light}"]`;

const ROLES = {
  ":root": cssVariables(DAY),
  [inLight("dark")]: cssVariables(NIGHT),
  [inLight("sun")]: cssVariables(SUN),
  "@media print": {
    [`:root, [${LIGHT_ATTRIBUTE}]`]: cssVariables({ ...DAY, paper: "#fff", sheet: "#fff", ink: "#000" }),
  },
};

export const Theme = ({ children }: { children: ReactNode }) => (
  <StyledEngineProvider enableCssLayer>
    <ThemeProvider
      theme={theme}
      defaultMode="system"
      modeStorageKey={LIGHT_KEYS.mode}
      colorSchemeStorageKey={LIGHT_KEYS.scheme}
      noSsr
    >
      <CssBaseline />
      <GlobalStyles styles={ROLES} />
      {children}
    </ThemeProvider>
  </StyledEngineProvider>
);
