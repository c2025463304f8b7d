import { randomUUID } from 'node:crypto';
import { open, rename, writeFile } from 'node:fs/promises';
import { dirname } from 'node:path';

/**
 * Writes a file under its name when all of it is there and lies on the disk: a stop in between leaves no half one, a row
 * that is written afterwards names a file that outlasts a loss of power, and of several writers at the same time the last
 * one stands.
 */
export async function writeWhole(path: string, content: Uint8Array | Iterable<Uint8Array>): Promise<void> {
  const part = `${path}.${randomUUID()}.part`;
  const file = await open(part, 'wx');
  try {
    await writeFile(file, content);
    await file.sync();
  } finally {
    await file.close();
  }
  await rename(part, path);
  await sync(dirname(path));
}

/** Has a file, or the names in a folder, lie on the disk. */
export async function sync(path: string): Promise<void> {
  const opened = await open(path);
  try {
    await opened.sync();
  } finally {
    await opened.close();
  }
}
