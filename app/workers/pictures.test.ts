/** @jest-environment node */
import { plugScene } from "#core/pictures/plug-scene.ts";
import { drawPlug, drawWitness } from "./pictures.ts";

describe("a plug drawn in the worker", () => {
  it("comes as bytes with its places", () => {
    const drawn = drawPlug(plugScene(0), 3, 80);
    expect(drawn.ok && drawn.value.pixels).toHaveLength(4 * 80 * 80);
    expect(drawn.ok && Object.keys(drawn.value.spots).sort()).toEqual([
      "face",
      "paper",
      "ring",
      "root",
      "strap",
    ]);
  });
  it("has a crown and a header beside it", () => {
    const scene = { error: 0, burns: "twoStroke", light: "shade" } as const;
    for (const witness of ["crown", "header"] as const) {
      const drawn = drawWitness(witness, scene, 3, 80);
      expect(drawn.ok && drawn.value.pixels).toHaveLength(4 * 80 * 80);
    }
  });
  it("is refused in words where it cannot be", () => {
    const drawn = drawPlug(plugScene(0), 3, 7);
    expect(!drawn.ok && drawn.message).toBe("sidePx must be in 40..1200, got 7");
  });
});
