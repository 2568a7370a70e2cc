/** Tells the demo anew, as it is advised today: `npm run tell`. Its pictures and browser tests then follow. */
import { writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { toldDemo } from "../demo/demo.ts";

writeFileSync(fileURLToPath(new URL("../demo/told.json", import.meta.url)), toldDemo());
console.log("demo/told.json");
