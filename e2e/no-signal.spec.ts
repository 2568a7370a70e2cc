/** After one visit everything works with the server gone: typed addresses, saving, the worker, the fonts. */
import { execFileSync, type ChildProcess } from "node:child_process";
import { once } from "node:events";
import { cpSync, readFileSync, renameSync } from "node:fs";
import { createServer, type Server } from "node:http";
import sirv from "sirv";
import { expect, test } from "./test.ts";
import { goOn, RIG, turnTo, typeAir } from "./app.ts";
import { serveBuild } from "./browser.ts";
import { SCREENS } from "./screens.ts";

test.use({ serviceWorkers: "allow" });

let server: ChildProcess | undefined;
let host: Server | undefined;
test.afterEach(() => {
  server?.kill();
  host?.closeAllConnections();
  host?.close();
});

const makeAnother = (folder: string) => execFileSync(process.execPath, ["e2e/another-build.mjs", folder]);
/** Put in place at once, as a host does: a browser that looks by itself never meets half of it. */
function putInPlace(another: string, folder: string): void {
  renameSync(folder, `${folder}-before`);
  renameSync(another, folder);
}
/** What a page lets itself run, as its host would send it. */
const policyIn = (html: string): string =>
  /http-equiv="Content-Security-Policy" content="([^"]*)"/.exec(html)?.[1] ?? "";

test("after one visit every screen opens and works with the server stopped", async ({ page }, info) => {
  // Some three seconds a screen on a slow machine, and the first visit.
  test.setTimeout(60_000 + 5000 * SCREENS.length);
  const port = 4480 + info.parallelIndex * 2;
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

  expect(SCREENS.length).toBeGreaterThan(40);
  // One in four by its address; from there on by links, whose files must be there as well.
  for (const [i, { path, title }] of SCREENS.entries()) {
    if (i % 4 === 0) await page.goto(address(path));
    else await turnTo(page, path);
    await expect(page.getByRole("heading", { level: 1 }).first()).toHaveText(title);
  }
  // A page of the handbook by its address: its figure is alive, and search finds.
  await page.goto(address("/handbook/needle"));
  await page.getByRole("slider", { name: /^Groove/ }).fill("5");
  await expect(page.getByText(/more than in the third groove/)).toBeVisible();
  await page.getByRole("searchbox", { name: "Search the handbook" }).fill("methanol");
  await expect(page.getByRole("list", { name: "Found" })).toContainText("The temperature method");
  // The words stand before their font has been fetched.
  await expect
    .poll(() => page.evaluate(() => document.fonts.check('600 16px "Barlow Condensed"')))
    .toBe(true);

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

test("a new Tamis is told of, loaded on one tap, and leaves another tab as it is", async ({
  page,
  context,
}, info) => {
  const folder = info.outputPath("client");
  const another = info.outputPath("another");
  for (const to of [folder, another]) cpSync("build/client", to, { recursive: true });
  makeAnother(another);
  const port = 4490 + info.parallelIndex;
  server = await serveBuild(port, folder);
  const address = `http://localhost:${port}/`;
  await page.goto(address);
  await page.evaluate(() => navigator.serviceWorker.ready);
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  const other = await context.newPage();
  await other.goto(`${address}data`);
  await expect(other.getByRole("heading", { level: 1 })).toHaveText("Data");

  const mark = () => Object.assign(window, { stillTheSame: true });
  await page.evaluate(mark);
  await other.evaluate(mark);
  putInPlace(another, folder);
  // The browser looks by itself too, and while it does, it refuses to be asked.
  await expect(() =>
    page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update()),
  ).toPass({ timeout: 60_000 });
  // All of it is fetched first.
  await expect(page.getByText("A new Tamis is ready.")).toBeVisible();
  await page.getByRole("button", { name: "Load it" }).click();
  // Asked again and again, not by frames: the page stands behind the other tab, and a page out of sight draws none.
  await expect(async () => expect(await page.evaluate(() => "stillTheSame" in window)).toBe(false)).toPass({
    timeout: 60_000,
  });
  await expect(page.getByRole("link", { name: /250 enduro/ })).toBeVisible();
  await expect(other.getByText(/^Tamis was renewed in another tab/)).toBeVisible();
  // Its own build's files are there for as long as it is: screens and workers that it has never asked for.
  await other.getByRole("link", { name: "Paddock" }).first().click();
  await other.getByRole("link", { name: /250 enduro/ }).click();
  await goOn(other, `${RIG}/route`);
  await expect(other.getByRole("region", { name: "One setting for all of it" })).toBeVisible();
  await goOn(other, "/new");
  await expect(other.getByRole("heading", { level: 1 })).toBeVisible();
  expect(await other.evaluate(() => "stillTheSame" in window)).toBe(true);
  const earlier = () => page.evaluate(() => caches.has("tamis-earlier-build"));
  expect(await earlier()).toBe(true);
  await other.close();
  // At a visit the browser may still count a tab that is just being left: the next one clears up.
  await expect(async () => {
    await page.reload();
    expect(await earlier()).toBe(false);
  }).toPass({ timeout: 60_000 });
});

test("a host whose policy lags behind its files leaves the installed Tamis as it is", async ({
  page,
}, info) => {
  const port = 4496 + info.parallelIndex;
  const folder = info.outputPath("client");
  cpSync("build/client", folder, { recursive: true });
  const policy = () => policyIn(readFileSync(`${folder}/index.html`, "utf8"));
  let sent = policy();
  const files = sirv(folder, {
    single: true,
    dev: true,
    setHeaders: (response) => response.setHeader("Content-Security-Policy", sent),
  });
  let slow = false;
  host = createServer((request, response) => {
    // What the worker asks to see whether the page could start comes last: all else is in its cache by then.
    const wait = slow && request.url === "/index.html" ? 1500 : 0;
    if (wait > 0) slow = false;
    setTimeout(() => files(request, response), wait);
  }).listen(port, "localhost");
  await once(host, "listening");
  await page.goto(`http://localhost:${port}/`);
  await page.evaluate(() => navigator.serviceWorker.ready);
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  const look = () => page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update());
  const waits = () =>
    page.evaluate(async () => {
      const { installing, waiting } = (await navigator.serviceWorker.getRegistration()) ?? {};
      return installing ? "installing" : waiting ? "waiting" : "none";
    });

  makeAnother(folder);
  slow = true;
  await look().catch(() => undefined);
  await page.waitForTimeout(3000);
  expect(slow).toBe(false);
  await expect.poll(waits).toBe("none");
  await page.reload();
  await expect(page.getByRole("link", { name: /250 enduro/ })).toBeVisible();
  sent = policy();
  await expect(look).toPass({ timeout: 60_000 });
  await expect.poll(waits).toBe("waiting");
  // All of it is fetched first.
  await expect(page.getByText("A new Tamis is ready.")).toBeVisible();
  await page.getByRole("button", { name: "Load it" }).click();
  await expect(page.getByText("A new Tamis is ready.")).toBeHidden();
  await expect(page.getByRole("link", { name: /250 enduro/ })).toBeVisible();
});

test.describe("the policy", () => {
  // What it forbids is tried, and the browser says so.
  test.use({ mayBreak: true });

  test("page and worker load and run nothing that Tamis did not bring", async ({ page }, info) => {
    const port = 4490 + info.parallelIndex;
    server = await serveBuild(port);
    const elsewhere = `http://localhost:${port}/tamis.svg`;
    await page.goto(`${RIG}/air`);
    await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
    // That address answers whoever may ask.
    expect((await fetch(elsewhere)).ok).toBe(true);
    const tried = (address: string) =>
      Promise.all([
        fetch(address, { mode: "no-cors" }).then(
          () => "fetched",
          () => "refused",
        ),
        // Later, not within what the test's own tools are allowed.
        new Promise<string>((resolve) => {
          setTimeout(() => {
            try {
              // eslint-disable-next-line @typescript-eslint/no-implied-eval, @typescript-eslint/no-unsafe-call
              resolve(new Function("return 'run'")() as string);
            } catch {
              resolve("refused");
            }
          }, 10);
        }),
      ]);
    expect(await page.evaluate(tried, elsewhere)).toEqual(["refused", "refused"]);
    // A whole air is asked about; the card that was kept would need no worker.
    await typeAir(page, { temperature: "31", humidity: "40", pressure: "822" });
    await expect.poll(() => page.workers().length).toBeGreaterThan(0);
    for (const worker of page.workers())
      expect(await worker.evaluate(tried, elsewhere)).toEqual(["refused", "refused"]);
    const ran = await page.evaluate(() => {
      const script = document.createElement("script");
      script.textContent = "window.injected = true";
      document.body.append(script);
      const image = document.createElement("div");
      image.innerHTML = '<img src="x" onerror="window.injected = true">';
      document.body.append(image);
      return new Promise((resolve) => setTimeout(() => resolve("injected" in window), 300));
    });
    expect(ran).toBe(false);
  });
});

test.describe("a host that sends no policy", () => {
  test.use({ mayBreak: true });
  test("leaves the page with its own, which holds", async ({ page }, info) => {
    const port = 4560 + info.parallelIndex;
    host = createServer(sirv("build/client", { single: true })).listen(port, "localhost");
    await once(host, "listening");
    const answer = await page.goto(`http://localhost:${port}/`);
    expect(answer?.headers()["content-security-policy"]).toBeUndefined();
    await expect(page.getByRole("link", { name: /250 enduro/ })).toBeVisible();
    const ran = await page.evaluate(async () => {
      const script = document.createElement("script");
      script.textContent = "window.smuggled = true";
      document.head.append(script);
      const asked = await fetch("http://localhost:1/").then(
        () => "answered",
        (error: unknown) => String(error),
      );
      return { smuggled: "smuggled" in window, asked };
    });
    expect(ran.smuggled).toBe(false);
    expect(ran.asked).toContain("Failed to fetch");
  });
});
