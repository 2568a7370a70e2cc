import { scaledDown } from "./photo.ts";

describe("photos", () => {
  it("keep their proportion and never grow", () => {
    expect(scaledDown(4000, 3000)).toEqual({ widthPx: 1280, heightPx: 960 });
    expect(scaledDown(600, 800)).toEqual({ widthPx: 600, heightPx: 800 });
    expect(scaledDown(5000, 1)).toEqual({ widthPx: 1280, heightPx: 1 });
  });
});
