import * as fc from "fast-check";
import * as z from "zod/mini";
import { at, build, look } from "../__tests__/entries.ts";
import { ENDURO_HEADER } from "../../demo/enduro-build.ts";
import { parseKeeping } from "./keep-unknown.ts";
import { readLogFile } from "./read-file.ts";
import { LOG_VERSION } from "./schema.ts";

const Inner = z.strictObject({ name: z.string().check(z.trim()), size: z.optional(z.number()) });
const Outer = z.strictObject({
  inner: Inner,
  list: z.array(
    z.discriminatedUnion("kind", [
      z.strictObject({ kind: z.literal("a"), inner: Inner }),
      z.extend(Inner, { kind: z.literal("b") }),
    ]),
  ),
});

describe("keys that a newer Tamis has written", () => {
  it("stay where they stood, at every depth, and are named", () => {
    const raw = {
      later: 1,
      inner: { name: " x ", colour: { hue: 3 } },
      list: [
        { kind: "a", inner: { name: "y", n: null } },
        { kind: "b", name: "z", extra: [1] },
      ],
    };
    const before = JSON.stringify(raw);
    const read = parseKeeping(Outer, raw);
    expect(read).toEqual({
      ok: true,
      data: { ...raw, inner: { name: "x", colour: { hue: 3 } } },
      unknown: expect.arrayContaining([
        "later",
        "inner.colour",
        "list[0].inner.n",
        "list[1].extra",
      ]) as string[],
    });
    expect(JSON.stringify(raw)).toBe(before);
  });

  it("excuse nothing else that is wrong", () => {
    for (const raw of [
      { inner: { name: 5, colour: 1 }, list: [] },
      { inner: { name: "x" }, list: [{ kind: "c", later: 1 }] },
      { later: 1 },
      null,
    ])
      expect(parseKeeping(Outer, raw).ok).toBe(false);
  });

  it("pass whatever they hold, and nothing reaches a prototype", () => {
    const names = fc
      .string({ minLength: 1 })
      .filter((key) => !(key in Object.prototype) && !["inner", "list"].includes(key));
    fc.assert(
      fc.property(names, fc.jsonValue(), (key, value) => {
        const raw = JSON.parse(JSON.stringify({ inner: { name: "x" }, list: [], [key]: value })) as object;
        expect(parseKeeping(Outer, raw)).toMatchObject({ ok: true, data: raw });
      }),
    );
    expect({}).not.toHaveProperty("later");
  });

  it("come through the file's door, where a key that does harm does not", () => {
    const file = (more: string) =>
      `{"format":"tamis","version":${LOG_VERSION},"savedAt":"${at("18:00")}","rigs":[{"header":${JSON.stringify(ENDURO_HEADER)},"entries":[${JSON.stringify(build())},${JSON.stringify(look("0001", "09:00")).replace("{", `{${more},`)}]}]}`;
    expect(readLogFile(file('"mood":"good"'))).toMatchObject({
      ok: true,
      unknown: ["rigs[0].entries[1].mood"],
      file: { rigs: [{ entries: [{}, { mood: "good" }] }] },
    });
    expect(readLogFile(file('"mood":{"__proto__":1}'))).toMatchObject({
      ok: false,
      problem: { reason: "dangerousKey" },
    });
  });
});
