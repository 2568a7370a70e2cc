import { KIND_NAMES } from "#app/vocabulary/entries.ts";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { readLogFile } from "#core/log/read-file.ts";
import { run } from "../cli/run.ts";
import { exampleFiles } from "./examples.ts";
import { publishedSchemas } from "./schemas.ts";

const docs = (name: string) => join(__dirname, "../docs", name);

describe("the published JSON Schemas", () => {
  const schemas = Object.entries(publishedSchemas());

  it("are there for every file that is read from outside, and for what is printed", () => {
    expect(schemas.map(([name]) => name)).toEqual([
      "tamis-log.schema.json",
      "tamis-advice.schema.json",
      "tamis-shift.schema.json",
    ]);
  });

  it.each(schemas)("%s is what the code reads now; run `npm run schema` after a change", (name, text) => {
    expect(readFileSync(docs(`schema/${name}`), "utf8")).toBe(text);
  });

  it.each(schemas)("%s refuses unknown keys and names every kind of entry it holds", (name, text) => {
    const schema = JSON.parse(text) as { additionalProperties?: boolean; anyOf?: object[]; $schema: string };
    for (const one of schema.anyOf ?? [schema]) expect(one).toMatchObject({ additionalProperties: false });
    expect(schema.$schema).toContain("2020-12");
    if (name.startsWith("tamis-log"))
      for (const kind of Object.keys(KIND_NAMES)) expect(text).toContain(`"const": "${kind}"`);
  });
});

describe("the examples", () => {
  it.each(Object.entries(exampleFiles()))(
    "%s is what the simulator makes now; run `npm run schema` after a change",
    (name, text) => {
      expect(readFileSync(docs(`examples/${name}`), "utf8")).toBe(text);
    },
  );

  it("are read by the commands that the docs show", () => {
    expect(readLogFile(readFileSync(docs("examples/log.json"), "utf8"))).toMatchObject({ ok: true });
    const shown = readFileSync(docs("scripts.md"), "utf8");
    const commands = [...shown.matchAll(/^npm run --silent cli -- (.+)$/gm)].map(
      ([, words]) => words?.split(" ") ?? [],
    );
    expect(commands.map(([name]) => name)).toEqual(["air", "shift", "advise"]);
    for (const [name, ...rest] of commands)
      expect(
        run([name ?? "", ...rest.map((word) => (word.startsWith("docs/") ? docs(word.slice(5)) : word))]),
      ).toMatchObject({ exitCode: 0 });
  });
});
