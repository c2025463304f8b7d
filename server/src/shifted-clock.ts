import { readFileSync } from 'node:fs';

/** So long a shift that was read is taken to hold. */
const READ_EVERY_IN_MS = 100;

/** The clock of the machine, later by the seconds in a file; the file may change, and be missing. */
export function shiftedClock(file: string | null): () => Date {
  if (file === null) return () => new Date();
  let [shiftInMs, readAt] = [0, -Infinity];
  return () => {
    const now = Date.now();
    if (Math.abs(now - readAt) > READ_EVERY_IN_MS) [shiftInMs, readAt] = [shiftIn(file), now];
    return new Date(now + shiftInMs);
  };
}

function shiftIn(file: string): number {
  try {
    const seconds = Number(readFileSync(file, 'utf8'));
    return Number.isFinite(seconds) ? seconds * 1000 : 0;
  } catch {
    return 0;
  }
}
