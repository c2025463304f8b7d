import { randomUUID } from 'node:crypto';
import { rename, writeFile } from 'node:fs/promises';

/**
 * Writes a file under its name when all of it is there: a stop in between leaves no half one, and of several writers at
 * the same time the last one stands.
 */
export async function writeWhole(path: string, content: Uint8Array | Iterable<Uint8Array>): Promise<void> {
  const part = `${path}.${randomUUID()}.part`;
  await writeFile(part, content);
  await rename(part, path);
}
