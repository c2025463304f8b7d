/** How long the server should take for one batch, in milliseconds: others who save meanwhile wait for up to two batches. */
const WANTED_MS = 120;
const FEWEST_ROWS = 20;
/** The server takes 1,000 rows and 32 MB at once. */
const MOST_ROWS = 500;
/** A batch holds at most so many times the rows of the one before it. */
const GREATEST_GROWTH = 2;
/** While the server writes one batch, it reads the next one. */
const BATCHES_AT_ONCE = 2;

/** How many rows the next batch holds, after one of so many took so many milliseconds. */
export function nextBatchSize(rows: number, ms: number): number {
  const fitting = Math.min(rows * GREATEST_GROWTH, Math.round((rows * WANTED_MS) / Math.max(ms, 1)));
  return Math.min(MOST_ROWS, Math.max(FEWEST_ROWS, fitting));
}

/** Where rows come from and go to. */
export interface RowSender<Row> {
  /** The rows from an offset: at least one, at most so many. */
  read(offset: number, most: number): readonly Row[] | Promise<readonly Row[]>;
  /** Ends when the server has taken them in, and fails when it refuses them. */
  send(offset: number, rows: readonly Row[]): Promise<void>;
  isStopped(): boolean;
  /** In milliseconds, from any moment on. */
  now(): number;
}

/**
 * Sends rows in order, two batches at once. The first are small, as a server that has just started takes longer for each
 * row; then as many go at once as the server takes in quickly, so that a slow machine doesn't keep others waiting.
 * It fails with the first batch that fails, and ends early when it is stopped.
 */
export async function sendInBatches<Row>(total: number, sender: RowSender<Row>): Promise<void> {
  const answers: Promise<void>[] = [];
  let most = FEWEST_ROWS;
  let answeredAt = -Infinity;
  const sendOne = async (offset: number, rows: readonly Row[]): Promise<void> => {
    const sentAt = sender.now();
    await sender.send(offset, rows);
    const now = sender.now();
    // The server begins to write it when it has written the one before.
    most = nextBatchSize(rows.length, now - Math.max(sentAt, answeredAt));
    answeredAt = now;
  };
  for (let offset = 0; offset < total && !sender.isStopped();) {
    if (answers.length === BATCHES_AT_ONCE) await answers.shift();
    const rows = await sender.read(offset, most);
    const answer = sendOne(offset, rows);
    // Whoever waits for it is told; nobody does when the one before it has failed.
    answer.catch(() => undefined);
    answers.push(answer);
    offset += rows.length;
  }
  await Promise.all(answers);
}
