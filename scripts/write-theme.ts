/** Writes the theme's style sheet: `npm run theme`. */
import { writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { themeCss } from "./theme-css.ts";

writeFileSync(fileURLToPath(new URL("../app/theme/variables.css", import.meta.url)), themeCss());
console.log("app/theme/variables.css");
