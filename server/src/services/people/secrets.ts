import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';

/** A new secret of 256 bits, for addresses and headers. */
export function newSecret(): string {
  return randomBytes(32).toString('base64url');
}

/** Secrets are long and random, so a plain digest keeps them safe at rest. */
export function digest(secret: string): string {
  return createHash('sha256').update(secret).digest('hex');
}

/** Compares two secrets without telling by the time it takes how much of them agrees. */
export function isSame(a: string, b: string): boolean {
  const [one, other] = [Buffer.from(a), Buffer.from(b)];
  return one.length === other.length && timingSafeEqual(one, other);
}
