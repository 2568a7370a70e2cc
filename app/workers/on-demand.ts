/**
 * Starts a worker on first use. Comlink by itself leaves a caller waiting for ever when a worker dies and has no
 * time limit; both end here in an error that a screen can show, and the next call starts afresh. A call that took
 * too long ends its own worker alone: what others had asked of that one is asked again of the next.
 */
import * as Comlink from "comlink";

/** @returns words of whatever was thrown */
export const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

const TIME_LIMIT_MS = 20_000;

export class WorkerFailure extends Error {
  override readonly name = "WorkerFailure";
}

/** Somebody else's call has ended this worker. */
class Ended extends Error {}

interface Running<Api> {
  readonly remote: Comlink.Remote<Api>;
  /** rejects when the worker dies or is ended */
  readonly over: Promise<never>;
  readonly end: (why: Error) => void;
}

function start<Api>(make: () => Worker, onOver: () => void): Running<Api> {
  const worker = make();
  let end: (why: Error) => void = () => undefined;
  let ended = false;
  const over = new Promise<never>((_, reject) => {
    end = (why) => {
      if (ended) return;
      ended = true;
      worker.terminate();
      onOver();
      reject(why);
    };
    const fail = (event: Event) => {
      const detail = event instanceof ErrorEvent ? event.message : "unreadable message";
      end(new WorkerFailure(`The computation stopped (${detail}). Try again.`));
    };
    worker.addEventListener("error", fail);
    worker.addEventListener("messageerror", fail);
  });
  over.catch(() => undefined);
  return { remote: Comlink.wrap<Api>(worker), over, end };
}

type Work<Api, T> = (remote: Comlink.Remote<Api>) => Promise<T>;

/** @throws {WorkerFailure} when it dies or takes longer than the limit */
async function within<Api, T>(running: Running<Api>, work: Work<Api, T>, limitMs: number): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => {
      reject(new WorkerFailure(`The computation took over ${limitMs / 1000} s and was stopped. Try again.`));
      running.end(new Ended());
    }, limitMs);
  });
  try {
    return await Promise.race([work(running.remote), running.over, late]);
  } finally {
    clearTimeout(timer);
  }
}

export function startOnDemand<Api>(make: () => Worker) {
  let shared: Running<Api> | undefined;
  const running = (): Running<Api> => {
    shared ??= start<Api>(make, () => {
      shared = undefined;
    });
    return shared;
  };

  async function call<T>(work: Work<Api, T>, limitMs = TIME_LIMIT_MS): Promise<T> {
    try {
      return await within(running(), work, limitMs);
    } catch (error) {
      if (!(error instanceof Ended)) throw error;
      return within(running(), work, limitMs);
    }
  }

  /** A worker of one's own for several calls: what it opened for one is there for the next, until it is ended. */
  function own() {
    const mine = start<Api>(make, () => undefined);
    return {
      call: <T>(work: Work<Api, T>, limitMs: number): Promise<T> => within(mine, work, limitMs),
      end: (why: Error = new Ended()) => mine.end(why),
    };
  }

  /** In a worker of its own, which goes when it is done or no longer wanted, and all that it took with it. */
  async function alone<T>(work: Work<Api, T>, limitMs: number, signal?: AbortSignal): Promise<T> {
    const mine = own();
    const stop = () => mine.end(new WorkerFailure("Stopped. Nothing was changed."));
    signal?.addEventListener("abort", stop, { once: true });
    if (signal?.aborted) stop();
    try {
      return await mine.call(work, limitMs);
    } finally {
      signal?.removeEventListener("abort", stop);
      mine.end();
    }
  }

  return { call, own, alone };
}
