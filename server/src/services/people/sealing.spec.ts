import { mkdtemp, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { keyIn } from '../../key-file.js';
import { Sealing, isSealed } from './sealing.js';

describe('Secrets in the store', () => {
  const [key, other] = [Buffer.alloc(32, 7), Buffer.alloc(32, 8)];

  it('are encrypted, each time otherwise, and open with their key and for their owner alone', () => {
    const sealing = new Sealing(key);
    const kept = sealing.seal('JBSWY3DPEHPK3PXP', 'person 4');
    expect(kept).not.toContain('JBSWY3DPEHPK3PXP');
    expect(sealing.seal('JBSWY3DPEHPK3PXP', 'person 4')).not.toBe(kept);
    expect(sealing.open(kept, 'person 4')).toBe('JBSWY3DPEHPK3PXP');
    expect(sealing.open(kept, 'person 5')).toBeNull();
    expect(new Sealing(other).open(kept, 'person 4')).toBeNull();
    expect(sealing.open(kept.slice(0, 20), 'person 4')).toBeNull();
  });

  it('of stores of before are read as they are', () => {
    expect(isSealed('JBSWY3DPEHPK3PXP')).toBeFalse();
    expect(new Sealing(key).open('JBSWY3DPEHPK3PXP', 'person 4')).toBe('JBSWY3DPEHPK3PXP');
  });
});

describe('The key file', () => {
  let folder: string;
  beforeEach(async () => (folder = await mkdtemp(join(tmpdir(), 'plindo-key-'))));
  afterEach(() => rm(folder, { recursive: true }));

  it('is made once, for its user alone, also when nodes start at once', async () => {
    const keys = await Promise.all(Array.from({ length: 5 }, () => keyIn(folder, null)));
    expect(new Set(keys.map(String)).size).toBe(1);
    const path = join(folder, 'secret.key');
    expect((await stat(path)).mode & 0o777).toBe(0o600);
    expect((await readFile(path, 'utf8')).trim()).toBe(keys[0]!.toString('hex'));
  });

  it('is refused by a sentence where it is not there or holds no key', async () => {
    const path = join(folder, 'own.key');
    await expectAsync(keyIn(folder, path)).toBeRejectedWithError(/can't be read. Set PLINDO_KEY_FILE/);
    await writeFile(path, 'secret');
    await expectAsync(keyIn(folder, path)).toBeRejectedWithError(/must hold 64 hexadecimal digits/);
  });
});
