import { readFileSync } from "node:fs";
import { Allowed, openAdvisories } from "./advisories.ts";

const advisory = {
  source: 1,
  url: "https://advisories.example/A-1",
  title: "Reads too much",
  severity: "high",
};
const report = {
  auditReportVersion: 2,
  vulnerabilities: {
    inner: { name: "inner", via: [advisory] },
    outer: { name: "outer", via: ["inner"] },
    both: { name: "both", via: [advisory, { ...advisory, url: "https://advisories.example/A-2" }] },
  },
};
const allow = (until: string): Allowed => [
  { id: advisory.url, why: "only the build reads such files", until },
];

it("names each advisory once, whoever is hit by it", () => {
  expect(openAdvisories(report, [], "2026-05-23").map(({ id }) => id)).toEqual([
    "https://advisories.example/A-1",
    "https://advisories.example/A-2",
  ]);
});
it("lets pass what is allowed, until its day is over", () => {
  expect(openAdvisories(report, allow("2026-05-23"), "2026-05-23")).toHaveLength(1);
  expect(openAdvisories(report, allow("2026-05-22"), "2026-05-23")).toHaveLength(2);
});
it("does not take an answer that is none for a clean bill", () => {
  expect(() => openAdvisories({ message: "405 Method Not Allowed" }, [], "2026-05-23")).toThrow();
});
it("reads the list that stands here", () => {
  expect(
    Allowed.safeParse(JSON.parse(readFileSync(`${__dirname}/advisories-allowed.json`, "utf8"))).success,
  ).toBe(true);
});
