import { randomBytes } from 'node:crypto';
import { link, readFile, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';

const KEY_IN_BYTES = 32;
/** The name of the key in the folder of the data, where no other place is named. */
export const KEY_FILE = 'secret.key';

/**
 * The key, 32 bytes, that secrets in the store are encrypted with. Without a place of its own it lies in the folder of the
 * data and is made there at the first start. Throws a sentence where a named file holds no key.
 */
export async function keyIn(folder: string, named: string | null): Promise<Buffer> {
  if (named !== null) return readKey(named);
  const path = join(folder, KEY_FILE);
  if (!(await exists(path))) await makeKey(path);
  return readKey(path);
}

async function readKey(path: string): Promise<Buffer> {
  const text = await readFile(path, 'utf8').catch(() => null);
  if (text === null) throw new Error(`The key file ${path} can't be read. Set PLINDO_KEY_FILE to one that can.`);
  const key = Buffer.from(text.trim(), 'hex');
  if (key.length !== KEY_IN_BYTES || !/^[0-9a-f]+$/i.test(text.trim())) {
    throw new Error(`The key file ${path} must hold 64 hexadecimal digits; \`openssl rand -hex 32\` makes some.`);
  }
  return key;
}

/** Several nodes share the folder, and may start at once: the first one's key stays. */
async function makeKey(path: string): Promise<void> {
  const part = `${path}.${randomBytes(6).toString('hex')}`;
  await writeFile(part, `${randomBytes(KEY_IN_BYTES).toString('hex')}\n`, { mode: 0o600, flush: true });
  try {
    await link(part, path);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
  } finally {
    await rm(part);
  }
}

async function exists(path: string): Promise<boolean> {
  return readFile(path).then(
    () => true,
    (error: NodeJS.ErrnoException) => error.code !== 'ENOENT',
  );
}
