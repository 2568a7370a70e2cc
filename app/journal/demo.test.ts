import { closeBook, listRigs } from "#app/store/book.ts";
import { database } from "#app/store/database.ts";
import { readRig } from "#app/store/rig-log.ts";
import { demoTrouble, loadDemo, loadDemoOnFirstVisit } from "./demo.ts";

async function newest(): Promise<Date[]> {
  const list = await listRigs();
  const logs = await Promise.all((list.ok ? list.value.headers : []).map(({ id }) => readRig(id)));
  return logs.map((log) => new Date(log.ok ? (log.value.entries.at(-1)?.at ?? NaN) : NaN));
}

describe("the demo", () => {
  it.each([
    ["in the small hours", "00:10"],
    ["at noon", "12:00"],
    ["while the twin still runs", "15:40"],
    ["before its last look", "16:49"],
    ["when all is over", "17:30"],
  ])("ends before now: %s", async (_, time) => {
    await database.clear();
    closeBook();
    const now = new Date(`2026-05-23T${time}:00`);
    expect(await loadDemo(now)).toMatchObject({ ok: true });
    const ends = await newest();
    expect(ends).toHaveLength(5);
    for (const end of ends) expect(end.getTime()).toBeLessThanOrEqual(now.getTime());
    // Not longer ago than need be: the last of them within a day.
    expect(Math.max(...ends.map(Number))).toBeGreaterThan(now.getTime() - 86_400_000);
  });

  it("that finds no room on a first visit says why the paddock is empty", async () => {
    await database.clear();
    closeBook();
    const full = Object.assign(new Error("full"), { name: "QuotaExceededError" });
    jest.spyOn(database, "setItem").mockRejectedValue(full);
    await loadDemoOnFirstVisit();
    jest.restoreAllMocks();
    expect(demoTrouble()).toContain("this device has no room left");
  });
});
