import { askToKeep, readSpace } from "./space.ts";

const give = (storage: unknown) =>
  Object.defineProperty(globalThis.navigator, "storage", { configurable: true, value: storage });
afterEach(() => give(undefined));

describe("the space of this browser", () => {
  it("is told as far as the browser tells it", async () => {
    give({ estimate: async () => ({ usage: 3_000_000, quota: 2e9 }), persisted: async () => true });
    expect(await readSpace()).toEqual({ usedBytes: 3_000_000, ofBytes: 2e9, promised: true });
    give({ estimate: () => Promise.reject(new Error("no")) });
    expect(await readSpace()).toEqual({ usedBytes: undefined, ofBytes: undefined, promised: undefined });
    give(undefined);
    expect(await readSpace()).toEqual({ usedBytes: undefined, ofBytes: undefined, promised: undefined });
  });

  it("is asked for once, and a refusal is no matter", () => {
    const persist = jest.fn(() => Promise.reject(new Error("no")));
    give({ persist });
    askToKeep();
    askToKeep();
    expect(persist).toHaveBeenCalledTimes(1);
  });
});
