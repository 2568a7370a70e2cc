import { readSizeList, writeSizeList } from "./size-list.ts";

describe("lists of sizes", () => {
  it.each([
    ["150, 152, 155", [150, 152, 155]],
    ["150 to 155 by 2.5", [150, 152.5, 155]],
    ["38-42 by 2", [38, 40, 42]],
    ["152,5; 150; 152,5", [150, 152.5]],
    ["", []],
    ["165", [165]],
  ])("reads %p", (text, sizes) => {
    expect(readSizeList(text)).toEqual({ ok: true, sizes });
    expect(readSizeList(writeSizeList(sizes))).toEqual({ ok: true, sizes });
  });
  it.each(["150 to 160", "150 to 140 by 2", "150 to 160 by 0", "1 to 900 by 0.1", "a, b"])(
    "does not read %p",
    (text) => {
      expect(readSizeList(text).ok).toBe(false);
    },
  );
});
