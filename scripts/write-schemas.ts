/** Publishes the JSON Schemas and example files of docs: `npm run schema`. */
import { mkdirSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { exampleFiles } from "./examples.ts";
import { publishedSchemas } from "./schemas.ts";

const docs = fileURLToPath(new URL("../docs/", import.meta.url));
for (const [folder, files] of [
  ["schema", publishedSchemas()],
  ["examples", exampleFiles()],
] as const) {
  mkdirSync(`${docs}${folder}`, { recursive: true });
  for (const [name, text] of Object.entries(files)) {
    writeFileSync(`${docs}${folder}/${name}`, text);
    console.log(`docs/${folder}/${name}`);
  }
}
