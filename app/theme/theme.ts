/** MUI dressed as a jetting sheet on a clipboard: square corners, hairlines, no shadows, no capitals. */
import { createTheme, type Theme } from "@mui/material/styles";
import { DAY, NIGHT, SUN, type Colours } from "./colours.ts";
import { LIGHT_ATTRIBUTE } from "./light-keys.ts";

declare module "@mui/material/styles" {
  interface ColorSchemeOverrides {
    sun: true;
  }
  interface CssThemeVariables {
    enabled: true;
  }
}

const HEADING = '"Barlow Condensed", "Arial Narrow", sans-serif';
export const BODY = '"Atkinson Hyperlegible Next Variable", "Verdana", sans-serif';

const palette = (c: Colours) => ({
  background: { default: c.paper, paper: c.sheet },
  text: { primary: c.ink, secondary: c.quiet },
  primary: { main: c.brass, contrastText: c.onBrass },
  secondary: { main: c.petrol, contrastText: c.paper },
  error: { main: c.signal, contrastText: c.paper },
  warning: { main: c.signal, contrastText: c.paper },
  divider: c.hairline,
});

export const theme: Theme = createTheme({
  cssVariables: { colorSchemeSelector: LIGHT_ATTRIBUTE },
  colorSchemes: {
    light: { palette: palette(DAY) },
    dark: { palette: palette(NIGHT) },
    // A scheme of our own is not completed as the two usual ones are.
    sun: { palette: createTheme({ palette: { mode: "light", ...palette(SUN) } }).palette },
  },
  shape: { borderRadius: 4 },
  typography: {
    fontFamily: BODY,
    button: {
      fontFamily: HEADING,
      fontWeight: 600,
      fontSize: "1.0625rem",
      textTransform: "none",
      letterSpacing: 0.2,
    },
    h1: { fontFamily: HEADING, fontWeight: 700, fontSize: "2rem", lineHeight: 1.1 },
    h2: { fontFamily: HEADING, fontWeight: 600, fontSize: "1.375rem", lineHeight: 1.2 },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: { root: { minHeight: 48, paddingInline: 16, whiteSpace: "nowrap" } },
    },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: "none" } } },
    MuiFormControlLabel: {
      styleOverrides: { root: { minHeight: 48, marginLeft: 0, marginRight: 0, paddingRight: 8 } },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          minHeight: 48,
          minWidth: 48,
          lineHeight: 1.15,
          color: "var(--brass)",
          borderColor: "var(--brass)",
          "&.Mui-selected, &.Mui-selected:hover": {
            color: "var(--petrol)",
            backgroundColor: "var(--petrol-wash)",
            boxShadow: "inset 0 -3px 0 var(--petrol)",
          },
        },
      },
    },
    MuiTextField: { defaultProps: { variant: "outlined" } },
    // Labels stand on the border from the start: what a field is for never moves.
    MuiInputLabel: { defaultProps: { shrink: true } },
    MuiOutlinedInput: {
      defaultProps: { notched: true },
      styleOverrides: {
        root: { backgroundColor: "var(--sheet)", minHeight: 52 },
        input: { fontVariantNumeric: "tabular-nums" },
        notchedOutline: { borderColor: "var(--quiet)" },
      },
    },
    MuiFormHelperText: { styleOverrides: { root: { fontSize: "0.875rem", marginInline: 2 } } },
    MuiTooltip: {
      styleOverrides: {
        tooltip: {
          backgroundColor: "var(--ink)",
          color: "var(--paper)",
          fontSize: "0.875rem",
          borderRadius: 4,
        },
      },
    },
    MuiDialog: {
      styleOverrides: { paper: { border: "1px solid var(--ink)", backgroundColor: "var(--sheet)" } },
    },
  },
});
