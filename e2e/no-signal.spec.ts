/** After one visit everything works with the server gone: typed addresses, saving, the worker, the fonts. */
import type { ChildProcess } from "node:child_process";
import { expect, test } from "@playwright/test";
import { RIG, typeAir } from "./app.ts";
import { serveBuild } from "./browser.ts";

const ROUTES: [string, RegExp | string][] = [
  ["/", "Paddock"],
  [RIG, /The plan for this stop/],
  ["/new", "A new rig"],
  [`${RIG}/build`, "The rig"],
  [`${RIG}/air`, "The air where the engine breathes"],
  [`${RIG}/look?zone=mid`, "What did you see?"],
  [`${RIG}/change`, "What was fitted?"],
  [`${RIG}/why`, "Why"],
  [`${RIG}/log`, "The log"],
  ["/data", "Data"],
];

test.use({ serviceWorkers: "allow" });

let server: ChildProcess | undefined;
test.afterEach(() => {
  server?.kill();
});

test("after one visit every screen opens and works with the server stopped", async ({ page }, info) => {
  test.setTimeout(60_000);
  const port = 4480 + info.parallelIndex * 2 + (info.project.name === "phone" ? 1 : 0);
  server = await serveBuild(port);
  const address = (path: string) => `http://localhost:${port}${path}`;
  await page.goto(address("/"));
  await expect(page.getByRole("link", { name: /250 enduro/ })).toBeVisible();
  await page.evaluate(() => navigator.serviceWorker.ready);
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);

  server.kill();
  await expect
    .poll(() =>
      fetch(address("/")).then(
        () => true,
        () => false,
      ),
    )
    .toBe(false);

  for (const [path, title] of ROUTES) {
    await page.goto(address(path));
    await expect(page.getByRole("heading", { level: 1 })).toHaveText(title);
  }
  expect(await page.evaluate(() => document.fonts.check('600 16px "Barlow Condensed"'))).toBe(true);

  await page.goto(address(`${RIG}/air`));
  await typeAir(page, { temperature: "18", humidity: "60", pressure: "865" });
  await page.getByRole("button", { name: "Save this air" }).click();
  await expect(
    page
      .getByText(/18\.0 °C · 865 hPa · 60 %/)
      .filter({ visible: true })
      .first(),
  ).toBeVisible();
});
