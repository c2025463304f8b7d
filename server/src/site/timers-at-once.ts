/**
 * Lets timers of no time begin at once. A timer of 0 ms waits for 1 ms in Node, and rendering a page goes through four of
 * them one after the other. Meant for a thread that does nothing else.
 */
export function letTimersBeginAtOnce(): void {
  const { setTimeout: later, clearTimeout: forget } = globalThis;
  const begun = new WeakSet<object>();
  const atOnce = (...given: Parameters<typeof later>): unknown => {
    const [callback, ms, ...values] = given;
    if (ms) return later(...given);
    const immediate = setImmediate(callback, ...values);
    begun.add(immediate);
    return immediate;
  };
  const forgetAtOnce = (timer: Parameters<typeof forget>[0]): void => {
    if (typeof timer === 'object' && begun.has(timer)) clearImmediate(timer as unknown as NodeJS.Immediate);
    else forget(timer);
  };
  globalThis.setTimeout = Object.assign(atOnce, { __promisify__: later.__promisify__ }) as unknown as typeof later;
  globalThis.clearTimeout = forgetAtOnce;
}
