/** Publishes the JSON Schemas of all files that Tamis reads and writes: `npm run schema`. */
import { mkdirSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { publishedSchemas } from "./schemas.ts";

const folder = fileURLToPath(new URL("../docs/schema/", import.meta.url));
mkdirSync(folder, { recursive: true });
for (const [name, text] of Object.entries(publishedSchemas())) {
  writeFileSync(`${folder}${name}`, text);
  console.log(`docs/schema/${name}`);
}
