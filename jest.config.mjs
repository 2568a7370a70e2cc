const swc = (jsx) => [
  "@swc/jest",
  {
    jsc: {
      target: "es2023",
      parser: { syntax: "typescript", tsx: jsx },
      transform: { react: { runtime: "automatic" } },
    },
    module: { type: "commonjs" },
    sourceMaps: "inline",
  },
];

/** Asked for so often in what is computed that looking it up through the sandbox takes half of the time. */
const sandboxInjectedGlobals = ["Math", "Number", "Float64Array", "Array", "Object", "Map", "Set"];

const inBrowser = {
  rootDir: ".",
  testEnvironment: "<rootDir>/jest.jsdom-env.cjs",
  sandboxInjectedGlobals,
  transform: { "\\.tsx?$": swc(true), "\\.m?js$": swc(true) },
  // Packages that are ES modules alone.
  transformIgnorePatterns: ["/node_modules/(?!(react-hotkeys-hook|workbox-window)/)"],
  moduleNameMapper: {
    "\\.module\\.css$": "<rootDir>/app/testing/class-names.ts",
    "\\.css$": "<rootDir>/app/testing/empty.ts",
    "\\?worker&url$": "<rootDir>/app/testing/empty.ts",
    // The same for a runner of CommonJS.
    "^@zip\\.js/zip\\.js/lib/zip-core-native\\.js$": "<rootDir>/node_modules/@zip.js/zip.js/index-native.cjs",
  },
};

export default {
  // Finds what hangs. Rented machines are slow at times, and speed is the benchmarks' business.
  testTimeout: 60_000,
  projects: [
    {
      displayName: "core",
      rootDir: ".",
      testEnvironment: "node",
      sandboxInjectedGlobals,
      testMatch: ["<rootDir>/{core,demo,cli,scripts}/**/*.test.ts"],
      transform: { "\\.ts$": swc(false) },
    },
    {
      ...inBrowser,
      displayName: "app",
      testMatch: ["<rootDir>/app/**/*.test.ts"],
      setupFiles: ["fake-indexeddb/auto"],
    },
    {
      ...inBrowser,
      displayName: "screens",
      testMatch: ["<rootDir>/app/**/*.test.tsx"],
      setupFiles: ["fake-indexeddb/auto"],
      setupFilesAfterEnv: ["<rootDir>/jest.setup.ts"],
    },
  ],
};
