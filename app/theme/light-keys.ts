/** Storage keys of the chosen colour scheme, shared with the script that runs before the page is drawn. */
export const LIGHT_KEYS = { mode: "mui-mode", scheme: "mui-color-scheme" } as const;
export const LIGHT_ATTRIBUTE = "data-mui-color-scheme";
