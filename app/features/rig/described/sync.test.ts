import { TWIN } from "#demo/other-rigs.ts";
import type { Build } from "#core/log/schema.ts";
import { BuildForm } from "./form.ts";
import { buildTexts } from "./texts.ts";

describe("what other screens have said of the rig", () => {
  const said: [string, Partial<Build>][] = [
    ["how its carburettors are kept in step", { sync: { linkage: "shaft", vacuumSpreadPa: 1500 } }],
    ["the spread of its headers", { sync: { linkage: "cables", vacuumSpreadPa: 900, headerSpreadK: 30 } }],
    [
      "where its temperatures belong",
      {
        heat: {
          staging: { targetK: 333, withinK: 5 },
          rise: { fromK: 20, toK: 60 },
        },
      },
    ],
  ];
  it.each(said)("outlasts an edit of the rig: %s", (_, more) => {
    const build = { ...TWIN.build, ...more };
    const read = BuildForm.safeParse(buildTexts(build));
    expect(read.success ? read.data : read.error.issues).toEqual(build);
  });
});
