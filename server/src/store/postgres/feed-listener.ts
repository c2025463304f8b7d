import pg from 'pg';

const AGAIN_AFTER_IN_MS = 1000;
/**
 * Beside what is told, the feed is looked at so often: what was told while the connection was cut off is found then, and
 * a connection that is cut off without a word is noticed.
 */
const LOOK_EVERY_IN_MS = 500;

/** A connection of its own on which PostgreSQL tells that the feed has something new; it is made anew when it breaks. */
export class FeedListener {
  private client: pg.Client | null = null;
  private again: NodeJS.Timeout | null = null;
  private readonly looking: NodeJS.Timeout;
  private isStopped = false;

  constructor(
    private readonly address: string,
    private readonly channel: string,
    private readonly wake: () => void,
  ) {
    this.looking = setInterval(wake, LOOK_EVERY_IN_MS);
    this.looking.unref();
    this.connect();
  }

  async stop(): Promise<void> {
    this.isStopped = true;
    clearInterval(this.looking);
    if (this.again) clearTimeout(this.again);
    const { client } = this;
    this.client = null;
    await client?.end().catch(() => undefined);
  }

  private connect(): void {
    this.again = null;
    const client = new pg.Client({ connectionString: this.address, keepAlive: true });
    this.client = client;
    client.on('notification', this.wake);
    client.on('error', () => this.lose(client));
    client.on('end', () => this.lose(client));
    client
      .connect()
      .then(() => client.query(`LISTEN ${this.channel}`))
      // Something may have been told before this connection listened.
      .then(this.wake)
      .catch(() => this.lose(client));
  }

  private lose(client: pg.Client): void {
    if (this.client !== client || this.isStopped) return;
    this.client = null;
    client.end().catch(() => undefined);
    this.again = setTimeout(() => this.connect(), AGAIN_AFTER_IN_MS);
    this.again.unref();
  }
}
