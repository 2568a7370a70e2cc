/** Under what the browser keeps which light was chosen: read before the page is drawn, and by all that is dressed. */
export const LIGHT_KEYS = { mode: "mui-mode", scheme: "mui-color-scheme" } as const;
export const LIGHT_ATTRIBUTE = "data-mui-color-scheme";
