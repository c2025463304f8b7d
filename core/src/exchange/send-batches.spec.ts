import type { RowSender } from './send-batches.js';
import { nextBatchSize, sendInBatches } from './send-batches.js';

/** A server that takes in one batch after the other, each row in so many milliseconds of a clock that only it moves. */
class SlowServer implements RowSender<number> {
  readonly sent: (readonly [offset: number, rows: number])[] = [];
  readonly seen: number[] = [];
  underWay = 0;
  mostUnderWay = 0;
  stopAfter = Infinity;
  failAt = Infinity;
  private time = 0;
  private turn: Promise<void> = Promise.resolve();

  constructor(private readonly msARow: (offset: number) => number) {}

  read(offset: number, most: number): readonly number[] {
    return Array.from({ length: Math.min(most, 1000 - offset) }, (_, at) => offset + at);
  }

  async send(offset: number, rows: readonly number[]): Promise<void> {
    this.sent.push([offset, rows.length]);
    this.mostUnderWay = Math.max(this.mostUnderWay, ++this.underWay);
    const own = this.turn.then(async () => {
      await new Promise((resolve) => setTimeout(resolve));
      this.time += rows.length * this.msARow(offset);
      this.underWay--;
      if (offset >= this.failAt) throw new Error(`refused at ${offset}`);
      this.seen.push(...rows);
    });
    this.turn = own.catch(() => undefined);
    return own;
  }

  isStopped(): boolean {
    return this.seen.length >= this.stopAfter;
  }

  now(): number {
    return this.time;
  }
}

describe('Rows sent in batches', () => {
  it('come in order and once, two batches at a time', async () => {
    const server = new SlowServer(() => 1);
    await sendInBatches(1000, server);
    expect(server.seen).toEqual(Array.from({ length: 1000 }, (_, at) => at));
    expect(server.mostUnderWay).toBe(2);
  });

  it('begin with few, and grow to as many as the server takes in within 120 ms', async () => {
    const server = new SlowServer(() => 1);
    await sendInBatches(1000, server);
    const sizes = server.sent.map(([, rows]) => rows);
    expect(sizes.slice(0, 2)).toEqual([20, 20]);
    expect(new Set(sizes.slice(6, -1))).toEqual(new Set([120]));
  });

  it('become few when the server becomes slow', async () => {
    const server = new SlowServer((offset) => (offset < 400 ? 0.5 : 4));
    await sendInBatches(1000, server);
    const sizes = server.sent.map(([, rows]) => rows);
    expect(Math.max(...sizes)).toBe(240);
    expect(sizes.at(-2)).toBe(30);
  });

  it('are never fewer than 20 nor more than 500, and at most twice as many as before', () => {
    expect(nextBatchSize(20, 10_000)).toBe(20);
    expect(nextBatchSize(500, 1)).toBe(500);
    expect(nextBatchSize(100, 0)).toBe(200);
    expect(nextBatchSize(200, 240)).toBe(100);
  });

  it('are sent no more after one that fails', async () => {
    const server = new SlowServer(() => 1);
    server.failAt = 200;
    await expectAsync(sendInBatches(1000, server)).toBeRejectedWithError(/refused at \d+/);
    expect(server.sent.length).toBeLessThan(8);
  });

  it('are sent no more when it is stopped', async () => {
    const server = new SlowServer(() => 1);
    server.stopAfter = 200;
    await sendInBatches(1000, server);
    expect(server.seen.length).toBeGreaterThanOrEqual(200);
    expect(server.seen.length).toBeLessThan(500);
  });
});
