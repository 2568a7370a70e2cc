/** What the paddock has at hand when it opens: the rigs, the newest cards, and what is in no backup. */
import type { Revision } from "#app/workers/revision.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import { build, fit, look } from "../../../core/__tests__/entries.ts";
import { ENDURO_HEADER } from "#demo/enduro-build.ts";
import { noteBackup } from "#app/store/backups.ts";
import { closeBook } from "#app/store/book.ts";
import { database, headerKey, indexKey } from "#app/store/database.ts";
import { keepLastAdvice } from "#app/store/last-advice.ts";
import { importRigs } from "#app/store/merge.ts";
import { append, revisionOf } from "#app/store/rig-log.ts";
import { clientLoader } from "./route.tsx";

const idOf = (n: number) => `rig:shelf-000${n}`;
const SIX = [1, 2, 3, 4, 5, 6];

const revision = async (id: string): Promise<Revision> => {
  const found = await revisionOf(id);
  if (!found.ok) throw new Error(found.problem.message);
  return found.value;
};
const keep = async (id: string, title: string) =>
  keepLastAdvice(await revision(id), [], {
    advice: { title } as unknown as Advice,
    air: undefined,
    held: [],
  });

beforeEach(async () => {
  await database.clear();
  closeBook();
  const made = await importRigs(
    SIX.map((n) => ({
      header: { ...ENDURO_HEADER, id: idOf(n), name: `Shelf ${n}` },
      entries: [build(), look("0001", "09:00")],
    })),
    [],
    { snapshot: { at: "12:00", why: "Before the test" } },
  );
  expect(made.ok).toBe(true);
});

it("comes with the cards that are in sight, as they were last worked out, and leaves the rest to be asked for", async () => {
  for (const n of SIX) await keep(idOf(n), `card ${n}`);
  const { rigs } = await clientLoader();
  expect(rigs.map(({ header }) => header.name)).toEqual(SIX.map((n) => `Shelf ${n}`));
  expect(rigs.map(({ kept }) => kept?.advice)).toEqual([
    { title: "card 1" },
    { title: "card 2" },
    { title: "card 3" },
    { title: "card 4" },
    undefined,
    undefined,
  ]);
});

it("never shows the card of a log that has grown since, or of one that cannot be read", async () => {
  for (const n of [1, 2, 3]) await keep(idOf(n), `card ${n}`);
  await append(idOf(1), fit("0002", "10:00", 155));
  await database.setItem(`${idOf(2)}/advice`, "spoilt");
  const { rigs, troubles } = await clientLoader();
  expect(rigs.slice(0, 3).map(({ kept }) => kept?.advice)).toEqual([
    undefined,
    undefined,
    { title: "card 3" },
  ]);
  expect(troubles).toEqual([]);
});

it("names a rig that cannot be read, and shows the others with what is in no backup", async () => {
  await noteBackup(Object.fromEntries(SIX.map((n) => [idOf(n), 2])), "2026-05-01T12:00:00.000Z");
  await append(idOf(6), fit("0002", "10:00", 155));
  await database.setItem(headerKey(idOf(2)), { name: 5 });
  await database.setItem(indexKey(idOf(3)), { version: 99 });
  const { rigs, troubles, backup } = await clientLoader();
  expect(rigs.map(({ header }) => header.name)).toEqual(["Shelf 1", "Shelf 4", "Shelf 5", "Shelf 6"]);
  expect(troubles).toEqual([
    expect.stringMatching(/rig:shelf-0002 cannot be read/),
    expect.stringMatching(/rig:shelf-0003 /),
  ]);
  expect(backup).toEqual({ at: "2026-05-01T12:00:00.000Z", unsaved: 1, rigs: 6 });
});
