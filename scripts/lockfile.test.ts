/** What is installed is what was looked at: each package by its hash, under a licence that lets it be shipped. */
import { readFileSync } from "node:fs";

interface Locked {
  readonly version?: string;
  readonly integrity?: string;
  readonly resolved?: string;
  readonly license?: string;
  readonly dev?: boolean;
  readonly optional?: boolean;
}
const { packages } = JSON.parse(readFileSync(`${__dirname}/../package-lock.json`, "utf8")) as {
  packages: Record<string, Locked>;
};
const locked = Object.entries(packages).filter(([path]) => path !== "");

/** They ask for a notice at most. */
const FREE = [
  "MIT",
  "MIT-0",
  "ISC",
  "BSD-2-Clause",
  "BSD-3-Clause",
  "0BSD",
  "Apache-2.0",
  "BlueOak-1.0.0",
  "Unlicense",
];

/** Others, each with why it may be there. */
const WITH_REASON: Readonly<Record<string, string>> = {
  "OFL-1.1": "fonts, shipped as they are",
  "MPL-2.0": "by the file: none of its files is changed here",
  "Apache-2.0 AND MIT": "both are free",
  "(MIT OR CC0-1.0)": "taken under MIT",
  "CC-BY-4.0": "a table of browsers that the build reads; it is not shipped",
};
const NOT_SHIPPED = ["CC-BY-4.0"];

it("every package is named by a strong hash, and none by an address", () => {
  expect(locked.length).toBeGreaterThan(300);
  expect(
    locked
      .filter(([, { integrity }]) => !/^sha512-[\w+/]{86}==$/.test(integrity ?? ""))
      .map(([path]) => path),
  ).toEqual([]);
  expect(locked.filter(([, { resolved }]) => resolved !== undefined).map(([path]) => path)).toEqual([]);
});

it("every licence is free, or stands here with its reason", () => {
  const strange = locked.filter(
    ([, { license = "none" }]) => !FREE.includes(license) && !(license in WITH_REASON),
  );
  expect(strange.map(([path, { license }]) => `${path}: ${license}`)).toEqual([]);
  const unused = Object.keys(WITH_REASON).filter(
    (name) => !locked.some(([, { license }]) => license === name),
  );
  expect(unused).toEqual([]);
});

it("what may not be shipped is needed by the build alone", () => {
  const shipped = locked.filter(([, { license = "", dev }]) => NOT_SHIPPED.includes(license) && dev !== true);
  expect(shipped.map(([path]) => path)).toEqual([]);
});

it("the app's own packages are pinned to one version each", () => {
  const own = JSON.parse(readFileSync(`${__dirname}/../package.json`, "utf8")) as Record<
    string,
    Record<string, string>
  >;
  const ranges = { ...own["dependencies"], ...own["devDependencies"] };
  expect(Object.entries(ranges).filter(([, version]) => !/^\d+\.\d+\.\d+$/.test(version))).toEqual([]);
});
