/** Walk-round, box, base sheet, teardown and work: what their actions log, and what they refuse. */
import { build, fit } from "../../../../core/__tests__/entries.ts";
import { database } from "#app/store/database.ts";
import { photoKey, photosOf, putPhotos, readPhoto } from "#app/store/photos.ts";
import { importRigs } from "#app/store/merge.ts";
import { removeRig } from "#app/store/book.ts";
import { RIG, answerOf, freshRig, logged, present, refused } from "#app/testing/rig.ts";
import { clientAction as teardown } from "./route.tsx";

beforeEach(() => freshRig([build(), fit("0001", "08:30", 160)]));
afterEach(() => jest.restoreAllMocks());

describe("the teardown", () => {
  const photo = { id: "photo:0001", widthPx: 4, heightPx: 3 };
  const taken = (step: string, reads: string, more: object = {}, blobs = 0) => {
    const form = new FormData();
    form.set(
      "content",
      JSON.stringify({ step, moved: "out", reads, torque: "", note: "", photos: [], ...more }),
    );
    for (let i = 0; i < blobs; i += 1) {
      const bytes = new Uint8Array([1, 2, 3]);
      // jsdom's files have no arrayBuffer
      form.append(
        "file",
        Object.assign(new File([bytes], "p.jpg"), { arrayBuffer: () => Promise.resolve(bytes.buffer) }),
      );
    }
    // Read in another realm the form would not be one: the action only asks for its form.
    return {
      request: {
        headers: new Headers({ "Content-Type": "multipart/form-data" }),
        formData: () => Promise.resolve(form),
      },
      params: { rigId: RIG },
      context: {},
    } as never;
  };

  it("puts a jet's stamp straight into what is fitted, and a measure straight into the rig", async () => {
    expect(answerOf(await teardown(taken("mainJet", "158")))).toMatchObject({
      location: `/rigs/${RIG}/teardown?step=needleJet`,
    });
    expect((await present()).setting?.main).toBe(158);
    await teardown(taken("needleJet", "2,70"));
    expect((await present()).build?.carburettor.needleJetMm).toBe(2.7);
    await teardown(taken("stamp", "E 38-3"));
    expect((await present()).build?.carburettor.stamp).toBe("E 38-3");
    expect((await present()).teardown.map(({ step }) => step)).toEqual(["mainJet", "needleJet", "stamp"]);
  });

  it("takes a float's height for the walk-round's own measure", async () => {
    await teardown(taken("float", "16,2"));
    expect((await present()).checks.floatHeight).toMatchObject({
      measured: { floatLeftMm: 16.2 },
      state: "pass",
    });
    expect(await refused(() => teardown(taken("float", "900")))).toContain(
      "float height, left must be in 0..80 mm",
    );
  });

  it("logs nothing twice: what reads as it stood is only a step", async () => {
    const before = (await logged()).length;
    await teardown(taken("mainJet", "160"));
    expect((await logged()).length).toBe(before + 1);
  });

  it.each([
    ["mainJet", "one fifty", "is not a number"],
    ["mainJet", "2", "cannot be 2"],
    ["clip", "9", "clip must be in 1..5, got 9"],
    ["needleJet", "2.5", "needle must be thinner than its jet"],
  ])("refuses %s that reads %s", async (step, reads, words) => {
    expect(await refused(() => teardown(taken(step, reads)))).toContain(words);
  });

  it("keeps photos with the rig, and gives them up with it", async () => {
    await teardown(taken("asFound", "", { photos: [photo] }, 1));
    expect(await readPhoto(RIG, photo.id)).toHaveLength(3);
    expect(await photosOf(RIG, await logged())).toMatchObject([{ rigId: RIG, id: photo.id }]);
    expect(await refused(() => teardown(taken("slide", "", { photos: [photo] }, 0)))).toContain("got lost");
    await removeRig(RIG);
    expect(await database.getItem(photoKey(RIG, photo.id))).toBeNull();
  });

  it("keeps neither photo nor entry on a full device", async () => {
    const full = Object.assign(new Error("full"), { name: "QuotaExceededError" });
    const setItem = database.setItem.bind(database);
    jest
      .spyOn(database, "setItem")
      .mockImplementation((key, value) =>
        key.includes("/day/") ? Promise.reject(full) : setItem(key, value),
      );
    expect(await refused(() => teardown(taken("asFound", "", { photos: [photo] }, 1)))).toContain(
      "no room left",
    );
    expect(await readPhoto(RIG, photo.id)).toBeUndefined();
  });

  it("imports photos with their rig, or not at all", async () => {
    const bytes = new Uint8Array([1, 2]);
    const clash = { header: { id: RIG, name: "x", plate: "1" }, entries: [fit("0001", "08:30", 150)] };
    expect(await importRigs([clash], [{ rigId: RIG, id: "photo:0002", bytes }])).toMatchObject({ ok: false });
    expect(await readPhoto(RIG, "photo:0002")).toBeUndefined();
    expect(await putPhotos([{ rigId: RIG, id: "photo:0002", bytes }])).toMatchObject({ ok: true });
    expect(await readPhoto(RIG, "photo:0002")).toHaveLength(2);
  });
});
