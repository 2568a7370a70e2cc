/** The chart of docs/judgement.md, drawn from what `bench:judgement --json` printed: `npx tsx bench/judgement/chart.ts FILE`. */
import { readFileSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import type { Row } from "./tables.ts";

interface Printed {
  readonly engines: number;
  readonly seed: number;
  readonly sections: readonly { readonly title: string; readonly rows: readonly Row[] }[];
}

const WIDTH = 720;
const HEIGHT = 300;
const LEFT = 56;
const BOTTOM = 246;
const TOP = 46;
const SERIES = [
  ["do nothing", "#d9cfb8"],
  ["main by chart", "#a9b4ad"],
  ["the card", "#12485e"],
] as const;

const shareOf = (text: string | undefined): number => Number.parseFloat(text ?? "") || 0;

function bars(rows: readonly Row[]): string {
  const wide = (WIDTH - LEFT - 10) / rows.length;
  const bar = (wide - 18) / SERIES.length;
  return rows
    .map((row, i) => {
      const x = LEFT + i * wide + 9;
      const each = SERIES.map(([name, colour], s) => {
        const share = shareOf(row[name]);
        const height = ((BOTTOM - TOP) * share) / 100;
        const at = x + s * bar;
        return (
          `<rect x="${at.toFixed(1)}" y="${(BOTTOM - height).toFixed(1)}" width="${(bar - 3).toFixed(1)}" height="${height.toFixed(1)}" fill="${colour}"/>` +
          `<text x="${(at + bar / 2 - 1.5).toFixed(1)}" y="${(BOTTOM - height - 4).toFixed(1)}" text-anchor="middle" font-size="11">${share}</text>`
        );
      }).join("");
      const middle = (x + (bar * SERIES.length) / 2).toFixed(1);
      return `${each}<text x="${middle}" y="${BOTTOM + 17}" text-anchor="middle" font-size="12">${row[""] ?? ""}</text><text x="${middle}" y="${BOTTOM + 32}" text-anchor="middle" font-size="11" fill="#5a5346">${row["engines"] ?? ""} engines</text>`;
    })
    .join("\n");
}

/** @returns the drawing, for paper and for the dark */
function drawing({ sections }: Printed): string {
  const bins = sections.find(({ title }) => title.includes("by how the air has changed"));
  if (!bins) throw new Error("the file holds no table of new air by density");
  const rows = bins.rows.filter((row) => row["engines"] !== "0");
  const key = SERIES.map(
    ([name, colour], i) =>
      `<rect x="${LEFT + i * 150}" y="14" width="14" height="14" fill="${colour}"/><text x="${LEFT + 20 + i * 150}" y="26" font-size="13">${name}</text>`,
  ).join("");
  const grid = [0, 25, 50, 75, 100]
    .map((share) => {
      const y = BOTTOM - ((BOTTOM - TOP) * share) / 100;
      return `<line x1="${LEFT}" x2="${WIDTH - 10}" y1="${y}" y2="${y}" stroke="#cfc6b2"/><text x="${LEFT - 8}" y="${y + 4}" text-anchor="end" font-size="11">${share} %</text>`;
    })
    .join("");
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${HEIGHT}" width="${WIDTH}" height="${HEIGHT}" font-family="sans-serif" fill="#1d1a15" role="img" aria-label="Share of engines with idle, middle and top right after new air, without a look, by dry density against the baseline's">
<rect width="${WIDTH}" height="${HEIGHT}" fill="#f7f3ea"/>
${key}
${grid}
${bars(rows)}
<text x="${WIDTH / 2}" y="${HEIGHT - 6}" text-anchor="middle" font-size="12">dry density against the baseline’s day</text>
</svg>
`;
}

const [file] = process.argv.slice(2);
if (file === undefined) throw new Error("name the file that bench:judgement --json printed");
const text = readFileSync(file, "utf8");
const printed = JSON.parse(text.slice(text.indexOf("{"))) as Printed;
const target = fileURLToPath(new URL("../../docs/judgement-new-air.svg", import.meta.url));
writeFileSync(target, drawing(printed));
console.log(target.split("/").slice(-2).join("/"));
