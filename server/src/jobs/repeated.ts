import { setTimeout as delay } from 'node:timers/promises';

/** So often it is looked whether there is something to do. */
const LOOK_EVERY_IN_MS = 500;
/** Whoever stops waits no longer than this for what is under way. */
const LAST_PATIENCE_IN_MS = 5000;

/** A piece of work that is looked at again and again, never twice at once. */
export class Repeated {
  private timer: NodeJS.Timeout | null = null;
  private running: Promise<void> = Promise.resolve();
  private stopped = false;

  /** `failed` is told of errors; the work is tried again at the next look. */
  constructor(
    private readonly work: () => Promise<void>,
    private readonly failed: (error: unknown) => void,
  ) {}

  /** Whether the work should come to an end. */
  get isStopped(): boolean {
    return this.stopped;
  }

  /** Begins to look by itself. */
  start(): void {
    if (this.stopped) return;
    this.timer = setTimeout(() => void this.now().finally(() => this.start()), LOOK_EVERY_IN_MS);
    this.timer.unref();
  }

  /** Looks now, once what is under way has ended. */
  now(): Promise<void> {
    this.running = this.running.then(() => this.work()).catch((error: unknown) => this.failed(error));
    return this.running;
  }

  async stop(): Promise<void> {
    this.stopped = true;
    if (this.timer) clearTimeout(this.timer);
    await Promise.race([this.running, delay(LAST_PATIENCE_IN_MS, undefined, { ref: false })]);
  }
}
