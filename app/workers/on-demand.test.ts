/** @jest-environment node */
import * as Comlink from "comlink";
import nodeEndpoint from "comlink/dist/umd/node-adapter";
import { MessageChannel } from "node:worker_threads";
import { startOnDemand, WorkerFailure } from "./on-demand.ts";

interface Api {
  echo(text: string): string;
  never(): Promise<string>;
}

let born = 0;
let ended = 0;
const open = new Set<() => void>();
afterEach(() => {
  for (const close of open) close();
  open.clear();
  [born, ended] = [0, 0];
});

/** A worker in this very process: it answers, or never does. */
function worker(): Worker {
  born += 1;
  const { port1, port2 } = new MessageChannel();
  const api: Api = {
    echo: (text) => text,
    never: () => new Promise<string>(() => undefined),
  };
  Comlink.expose(api, nodeEndpoint(port1));
  const close = () => {
    port1.close();
    port2.close();
  };
  open.add(close);
  const endpoint = nodeEndpoint(port2);
  const hear = endpoint.addEventListener.bind(endpoint);
  return Object.assign(endpoint, {
    addEventListener: (type: string, listener: EventListenerOrEventListenerObject) => {
      if (type === "message") hear(type, listener);
    },
    terminate: () => {
      ended += 1;
      close();
    },
  }) as unknown as Worker;
}

describe("workers on demand", () => {
  it("are started when first asked, and once", async () => {
    const { call } = startOnDemand<Api>(worker);
    expect(born).toBe(0);
    expect(await call(async (remote) => await remote.echo("a"))).toBe("a");
    expect(await call(async (remote) => await remote.echo("b"))).toBe("b");
    expect(born).toBe(1);
  });

  it("end a call that takes too long; another one's question is asked again of the next worker", async () => {
    const { call } = startOnDemand<Api>(worker);
    let asked = 0;
    const slow = call(async (remote) => await remote.never(), 30);
    const other = call(async (remote) => {
      asked += 1;
      return asked === 1 ? await remote.never() : await remote.echo("heard after all");
    }, 5000);
    await expect(slow).rejects.toThrow("took over 0.03 s and was stopped");
    expect(await other).toBe("heard after all");
    expect([born, ended]).toEqual([2, 1]);
  });

  it("leave a worker that was started since alone when an old call's time is up", async () => {
    const { call } = startOnDemand<Api>(worker);
    await expect(call(async (remote) => await remote.never(), 20)).rejects.toThrow(WorkerFailure);
    const after = call(async (remote) => await remote.echo("new"), 5000);
    expect(await after).toBe("new");
    expect([born, ended]).toEqual([2, 1]);
  });

  it("work alone in one of their own, that goes when it is done or no longer wanted", async () => {
    const { call, alone } = startOnDemand<Api>(worker);
    expect(await call(async (remote) => await remote.echo("shared"))).toBe("shared");
    expect(await alone(async (remote) => await remote.echo("own"), 1000)).toBe("own");
    const stop = new AbortController();
    const long = alone(async (remote) => await remote.never(), 5000, stop.signal);
    stop.abort();
    await expect(long).rejects.toThrow("Stopped. Nothing was changed.");
    expect([born, ended]).toEqual([3, 2]);
    expect(await call(async (remote) => await remote.echo("still there"))).toBe("still there");
    expect(born).toBe(3);
  });
});
