import { readFileSync } from "node:fs";
import { join } from "node:path";
import { publishedSchemas } from "./schemas.ts";

describe("the published JSON Schemas", () => {
  const schemas = Object.entries(publishedSchemas());

  it("are there for every file that is read from outside", () => {
    expect(schemas.map(([name]) => name)).toEqual(["tamis-log.schema.json", "tamis-shift.schema.json"]);
  });

  it.each(schemas)("%s is what the code reads now; run `npm run schema` after a change", (name, text) => {
    expect(readFileSync(join(__dirname, "../docs/schema", name), "utf8")).toBe(text);
  });

  it.each(schemas)("%s refuses unknown keys and names every kind of entry it holds", (name, text) => {
    const schema = JSON.parse(text) as { additionalProperties: boolean; $schema: string };
    expect(schema.additionalProperties).toBe(false);
    expect(schema.$schema).toContain("2020-12");
    if (name.startsWith("tamis-log"))
      for (const kind of ["build", "air", "fit", "look", "note", "strike"])
        expect(text).toContain(`"const": "${kind}"`);
  });
});
