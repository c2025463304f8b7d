import { letTimersBeginAtOnce } from './timers-at-once.js';

describe('Timers that begin at once', () => {
  const { setTimeout: later, clearTimeout: forget } = globalThis;

  beforeEach(() => letTimersBeginAtOnce());

  afterEach(() => {
    globalThis.setTimeout = later;
    globalThis.clearTimeout = forget;
  });

  it('keep their order, what they are given, and what was forgotten', async () => {
    const told: string[] = [];
    setTimeout((word: string) => told.push(word), 0, 'first');
    clearTimeout(setTimeout(() => told.push('forgotten'), 0));
    clearTimeout(setTimeout(() => told.push('forgotten later'), 1));
    setTimeout(() => told.push('second'));
    await new Promise<void>((done) => setTimeout(done, 5));
    expect(told).toEqual(['first', 'second']);
  });

  it('take what is no timer for nothing, as the platform does', () => {
    expect(() => clearTimeout(undefined)).not.toThrow();
  });
});
