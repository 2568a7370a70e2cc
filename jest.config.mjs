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

export default {
  // Finds what hangs. Rented machines are slow at times, and speed is the benchmarks' business.
  testTimeout: 60_000,
  projects: [
    {
      displayName: "core",
      rootDir: ".",
      testEnvironment: "node",
      testMatch: ["<rootDir>/{core,demo,cli,scripts}/**/*.test.ts"],
      transform: { "\\.ts$": swc(false) },
    },
    {
      displayName: "app",
      rootDir: ".",
      testEnvironment: "<rootDir>/jest.jsdom-env.cjs",
      testMatch: ["<rootDir>/app/**/*.test.{ts,tsx}"],
      transform: { "\\.tsx?$": swc(true), "\\.m?js$": swc(true) },
      // Packages that are ES modules alone.
      transformIgnorePatterns: ["/node_modules/(?!(react-hotkeys-hook|workbox-window)/)"],
      setupFilesAfterEnv: ["<rootDir>/jest.setup.ts"],
      moduleNameMapper: {
        "\\.module\\.css$": "<rootDir>/app/testing/class-names.ts",
        "\\.css$": "<rootDir>/app/testing/empty.ts",
        "\\?worker&url$": "<rootDir>/app/testing/empty.ts",
        // The same for a runner of CommonJS.
        "^@zip\\.js/zip\\.js/lib/zip-core-native\\.js$":
          "<rootDir>/node_modules/@zip.js/zip.js/index-native.cjs",
      },
    },
  ],
};
