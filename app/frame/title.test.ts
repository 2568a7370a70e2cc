import { titleOf } from "./title.ts";

describe("what a tab is called", () => {
  it.each([
    ["/rigs/rig:a", "Today · 250 enduro · Tamis"],
    ["/rigs/rig:a/walk-round/choke", "Walk-round · 250 enduro · Tamis"],
    ["/rigs/rig:a/box", "Jet box · 250 enduro · Tamis"],
  ])("%s", (address, title) => {
    expect(titleOf(address, "250 enduro")).toBe(title);
  });
  it("has no name of a rig that could not be read", () => {
    expect(titleOf("/rigs/rig:none/log", undefined)).toBe("Log · Tamis");
  });
});
