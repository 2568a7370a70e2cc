/** A device whose browser can be killed by its process, as a phone does with one that it needs the room of. */
import { spawn, type ChildProcess } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, type Browser, type BrowserContext, type Page } from "@playwright/test";
import { LAUNCH } from "../e2e/browser.ts";

export class Device {
  private readonly profile = mkdtempSync(join(tmpdir(), "tamis-device-"));
  private process: ChildProcess | undefined;
  private browser: Browser | undefined;

  /** @returns the first tab of a browser that has just been started on the same profile */
  async start(): Promise<Page> {
    const child = spawn(
      LAUNCH.executablePath,
      [
        ...LAUNCH.args,
        "--headless",
        "--remote-debugging-port=0",
        `--user-data-dir=${this.profile}`,
        "about:blank",
      ],
      { detached: true, stdio: ["ignore", "ignore", "pipe"] },
    );
    this.process = child;
    this.browser = await chromium.connectOverCDP(await addressOf(child));
    const page = await this.context.newPage();
    await page.setViewportSize({ width: 1280, height: 800 });
    return page;
  }

  get context(): BrowserContext {
    const context = this.browser?.contexts()[0];
    if (!context) throw new Error("the browser is not running");
    return context;
  }

  /** No warning, no closing: the process and all that it started are gone. */
  async kill(): Promise<void> {
    const child = this.process;
    if (child?.pid === undefined) return;
    const gone = new Promise((resolve) => child.once("exit", resolve));
    process.kill(-child.pid, "SIGKILL");
    await gone;
    await this.browser?.close().catch(() => undefined);
    this.process = undefined;
    this.browser = undefined;
  }

  async throwAway(): Promise<void> {
    await this.kill();
    rmSync(this.profile, { recursive: true, force: true, maxRetries: 5 });
  }
}

/** The browser says on its error channel where it can be talked to. */
function addressOf(child: ChildProcess): Promise<string> {
  return new Promise((resolve, reject) => {
    let said = "";
    const late = setTimeout(
      () => reject(new Error(`the browser did not start: ${said.slice(-400)}`)),
      20_000,
    );
    child.stderr?.on("data", (piece: Buffer) => {
      said += piece.toString();
      const address = /DevTools listening on (ws:\S+)/.exec(said)?.[1];
      if (address === undefined) return;
      clearTimeout(late);
      resolve(address);
    });
  });
}
