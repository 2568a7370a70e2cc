import { rigFromBuild } from "../rig/from-build.ts";
import { STARTING_KINDS, startingBuild } from "../rig/starting-builds.ts";
import { fadeProfile } from "./fade-profile.ts";

describe("a hole of a fixed size behind the slide", () => {
  // By the orifice law by hand: behind a nearly shut slide the hole draws at the speed of sound, flat out at a few kPa.
  it.each(STARTING_KINDS)("fades fast on a %s: a sixth at a crack, a twentieth in the middle", (kind) => {
    const { idle, low, mid, top } = fadeProfile(rigFromBuild(startingBuild(kind)));
    expect(idle).toBe(1);
    expect(low).toBeGreaterThan(0.1);
    expect(low).toBeLessThan(0.3);
    expect(mid).toBeGreaterThan(0.03);
    expect(mid).toBeLessThan(0.08);
    expect(top).toBeGreaterThan(0.005);
    expect(top).toBeLessThan(0.035);
  });
});
