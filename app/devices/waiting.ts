/** Bounded queue of samples: the oldest are dropped when a reader is slow. */
export class Waiting<T> {
  private readonly kept: T[] = [];
  private readonly most: number;
  private wake: (() => void) | undefined;
  private problem: Error | undefined;
  private ended = false;

  constructor(most: number) {
    this.most = most;
  }

  put(...items: readonly T[]): void {
    this.kept.push(...items);
    if (this.kept.length > this.most) this.kept.splice(0, this.kept.length - this.most);
    this.wake?.();
  }

  /** What waits is still taken; then it is thrown. */
  fail(problem: Error): void {
    this.problem ??= problem;
    this.wake?.();
  }

  /** Nobody takes what waits any more. */
  end(): void {
    this.ended = true;
    this.wake?.();
  }

  async *[Symbol.asyncIterator](): AsyncGenerator<T> {
    for (;;) {
      if (this.ended) return;
      const item = this.kept.shift();
      if (item !== undefined) yield item;
      else if (this.problem) throw this.problem;
      else await new Promise<void>((resolve) => (this.wake = resolve));
    }
  }
}
