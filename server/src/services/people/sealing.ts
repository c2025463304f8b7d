import { createCipheriv, createDecipheriv, randomBytes } from 'node:crypto';

const CIPHER = 'aes-256-gcm';
/** Sizes that NIST SP 800-38D recommends for this mode (5.2.1). */
const NONCE_IN_BYTES = 12;
const TAG_IN_BYTES = 16;
const MARK = 'sealed:';

/** Encrypts what the store keeps with a key that is not in the store, so that whoever has the store alone can't use it. */
export class Sealing {
  constructor(private readonly key: Buffer) {}

  /** A secret as the store keeps it; `of` says whose it is, and nobody else's place opens it. */
  seal(secret: string, of: string): string {
    const nonce = randomBytes(NONCE_IN_BYTES);
    const cipher = createCipheriv(CIPHER, this.key, nonce, { authTagLength: TAG_IN_BYTES }).setAAD(Buffer.from(of));
    const sealed = Buffer.concat([nonce, cipher.update(secret, 'utf8'), cipher.final(), cipher.getAuthTag()]);
    return MARK + sealed.toString('base64');
  }

  /** The secret; null where it was sealed with another key or for somebody else. What was never sealed is answered as it is. */
  open(kept: string, of: string): string | null {
    if (!isSealed(kept)) return kept;
    const sealed = Buffer.from(kept.slice(MARK.length), 'base64');
    const decipher = createDecipheriv(CIPHER, this.key, sealed.subarray(0, NONCE_IN_BYTES), {
      authTagLength: TAG_IN_BYTES,
    }).setAAD(Buffer.from(of));
    try {
      decipher.setAuthTag(sealed.subarray(-TAG_IN_BYTES));
      const secret = decipher.update(sealed.subarray(NONCE_IN_BYTES, -TAG_IN_BYTES));
      return Buffer.concat([secret, decipher.final()]).toString('utf8');
    } catch {
      return null;
    }
  }
}

/** Whether a secret is kept encrypted; stores of before keep theirs as they were until they are used. */
export function isSealed(kept: string): boolean {
  return kept.startsWith(MARK);
}
