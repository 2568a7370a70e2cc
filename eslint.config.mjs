import { readdirSync } from "node:fs";
import js from "@eslint/js";
import prettier from "eslint-config-prettier";
import { createTypeScriptImportResolver } from "eslint-import-resolver-typescript";
import importX from "eslint-plugin-import-x";
import reactHooks from "eslint-plugin-react-hooks";
import { defineConfig } from "eslint/config";
import globals from "globals";
import tseslint from "typescript-eslint";

/** Inside the core, arrows point one way: a room may import only the rooms named after it. */
const CORE_ROOMS = {
  numbers: [],
  units: [],
  air: ["units", "numbers"],
  log: ["units"],
  carburettor: ["numbers", "units", "air"],
  rig: ["units", "air", "carburettor", "log", "balance"],
  looks: ["numbers", "units", "air", "carburettor", "log", "rig", "runs"],
  belief: ["numbers", "units", "air", "carburettor", "log", "rig", "looks"],
  faults: ["numbers", "units", "carburettor", "log", "rig", "looks", "belief", "walkround"],
  advice: ["numbers", "units", "air", "carburettor", "log", "rig", "looks", "belief", "faults", "idle"],
  forecast: ["units", "numbers", "air", "log"],
  day: ["units", "air", "carburettor", "log", "rig", "looks", "belief", "advice", "forecast"],
  route: ["units", "air", "carburettor", "log", "rig", "advice", "forecast", "day", "satellites"],
  chart: ["units", "air", "log", "rig", "advice"],
  pack: [
    "units",
    "numbers",
    "air",
    "carburettor",
    "log",
    "rig",
    "belief",
    "looks",
    "advice",
    "forecast",
    "day",
  ],
  idle: ["numbers", "units", "log"],
  balance: ["units"],
  logger: ["numbers", "units", "carburettor", "log"],
  photo: ["numbers", "units", "log"],
  pictures: ["numbers", "units", "log"],
  trainer: ["numbers", "units", "log", "looks", "pictures"],
  runs: ["numbers", "units"],
  instruments: ["units", "numbers", "air", "carburettor"],
  satellites: ["units", "numbers", "air", "log", "instruments"],
  walkround: ["units", "air", "carburettor", "log", "rig"],
  simulator: [
    "numbers",
    "units",
    "air",
    "carburettor",
    "log",
    "rig",
    "looks",
    "belief",
    "faults",
    "advice",
    "walkround",
    "idle",
    "balance",
    "instruments",
    "satellites",
    "logger",
    "forecast",
    "day",
    "route",
  ],
  practice: [
    "numbers",
    "units",
    "air",
    "carburettor",
    "log",
    "rig",
    "balance",
    "faults",
    "advice",
    "simulator",
    "pictures",
  ],
};
const roomZones = Object.entries(CORE_ROOMS).map(([room, may]) => ({
  target: `./core/${room}`,
  from: "./core",
  except: [room, ...may].map((name) => `./${name}`),
  message: `core/${room} may import only: ${[room, ...may].join(", ")}`,
}));

/** The rooms of advice, each upon those before it. */
const ADVICE_ROOMS = ["judge", "plan", "ride", "parts", "card"];
const adviceZones = ADVICE_ROOMS.map((room, i) => ({
  target: `./core/advice/${room}`,
  from: ADVICE_ROOMS.slice(i + 1).map((name) => `./core/advice/${name}`),
  message: `core/advice/${room} may import only: ${ADVICE_ROOMS.slice(0, i + 1).join(", ")}`,
})).filter(({ from }) => from.length > 0);

/** In the app, arrows point down: a floor may import only the floors named after it. */
const APP_FLOORS = {
  theme: [],
  vocabulary: [],
  workers: [],
  ui: ["theme", "vocabulary"],
  store: ["workers", "vocabulary"],
  devices: ["ui", "vocabulary"],
  journal: ["store", "workers", "vocabulary"],
  frame: ["journal", "store", "workers", "devices", "ui", "vocabulary", "theme"],
  features: ["frame", "journal", "store", "workers", "devices", "ui", "vocabulary", "theme"],
};
const floorZones = Object.entries(APP_FLOORS).map(([floor, may]) => ({
  target: `./app/${floor}`,
  from: "./app",
  except: [floor, ...may].map((name) => `./${name}`),
  message: `app/${floor} may import only: ${[floor, ...may].join(", ")}`,
}));
const PLACES = readdirSync(new URL("app/features/", import.meta.url));
const placeZones = PLACES.map((place) => ({
  target: `./app/features/${place}`,
  from: "./app/features",
  except: [`./${place}`],
  message: "no feature imports another: what two need moves down a floor",
}));

/** All schemas are of one build: two would both be loaded, and the large one is five times the small. */
const SMALL_ZOD = { name: "zod", message: "schemas are written with zod/mini" };

export default defineConfig(
  {
    ignores: ["build/", ".react-router/", ".cache/", "test-results/", "playwright-report/", "**/*.d.ts"],
  },
  js.configs.recommended,
  {
    files: ["**/*.{ts,tsx}"],
    extends: [tseslint.configs.recommendedTypeChecked],
    languageOptions: {
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      "@typescript-eslint/no-misused-promises": ["error", { checksVoidReturn: { attributes: false } }],
      "@typescript-eslint/require-await": "off",
      // Route loaders throw Response-like values: that is the router's way to answer 404.
      "@typescript-eslint/only-throw-error": "off",
    },
  },
  {
    files: ["**/*.{js,mjs,cjs}"],
    languageOptions: { globals: { ...globals.node, document: "readonly", navigator: "readonly" } },
  },
  { files: ["app/**/*.{ts,tsx}"], extends: [reactHooks.configs.flat.recommended] },
  { files: ["**/*.{ts,tsx}"], rules: { "no-restricted-imports": ["error", { paths: [SMALL_ZOD] }] } },
  {
    files: ["app/**/*.{ts,tsx}"],
    ignores: ["app/**/*.test.{ts,tsx}", "app/testing/**"],
    plugins: { "import-x": importX },
    settings: {
      "import-x/resolver-next": [createTypeScriptImportResolver({ project: "tsconfig.app.json" })],
      // Files with what is drawn in them import each other too.
      "import-x/extensions": [".ts", ".tsx"],
      "import-x/parsers": { "@typescript-eslint/parser": [".ts", ".tsx"] },
    },
    rules: {
      "import-x/no-restricted-paths": [
        "error",
        { basePath: import.meta.dirname, zones: [...floorZones, ...placeZones] },
      ],
      "import-x/no-cycle": ["error", { ignoreExternal: true }],
    },
  },
  {
    files: ["core/**/*.ts"],
    ignores: ["core/**/*.test.ts", "core/**/__tests__/**"],
    plugins: { "import-x": importX },
    settings: {
      "import-x/resolver-next": [createTypeScriptImportResolver({ project: "core/tsconfig.json" })],
    },
    rules: {
      "import-x/no-restricted-paths": [
        "error",
        {
          basePath: import.meta.dirname,
          zones: [
            ...["app", "demo", "cli", "bench", "e2e"].map((from) => ({
              target: "./core",
              from: `./${from}`,
              message: `core must not import ${from}`,
            })),
            ...roomZones,
            ...adviceZones,
          ],
        },
      ],
      "import-x/no-cycle": ["error", { ignoreExternal: true }],
      "no-restricted-imports": [
        "error",
        {
          paths: [SMALL_ZOD],
          patterns: [
            {
              regex:
                "(^#(app|demo)/)|(/(app|demo|cli|bench)/)|^(react|@mui/|@emotion/|echarts|localforage|comlink|node:)",
              message: "core is pure: no interface, no storage, no platform",
            },
          ],
        },
      ],
      "no-restricted-properties": [
        "error",
        { object: "Math", property: "random", message: "a random source is a parameter" },
        { object: "Date", property: "now", message: "the clock is a parameter" },
      ],
    },
  },
  prettier,
);
