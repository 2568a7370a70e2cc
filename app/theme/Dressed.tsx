import { StyledEngineProvider, ThemeProvider } from "@mui/material/styles";
import type { ReactNode } from "react";
import { LIGHT_KEYS } from "./light-keys.ts";
import { theme } from "./theme.ts";

/**
 * What MUI draws stands in here. A first screen dresses its parts one by one, once its card stands, so a page can have
 * several; the variables they all use come with the page's own style sheet.
 */
export const Dressed = ({ children }: { children: ReactNode }) => (
  <StyledEngineProvider enableCssLayer>
    <ThemeProvider
      theme={theme}
      defaultMode="system"
      modeStorageKey={LIGHT_KEYS.mode}
      colorSchemeStorageKey={LIGHT_KEYS.scheme}
      disableStyleSheetGeneration
      noSsr
    >
      {children}
    </ThemeProvider>
  </StyledEngineProvider>
);
