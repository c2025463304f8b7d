import { hash, verify } from '@node-rs/argon2';
import { Refusal } from '@plindo/core/values';

/** Letters, as people count them (NIST SP 800-63B, 5.1.1.2, counts code points). */
export const LEAST_PASSWORD = 12;

/**
 * The hash of a password that nobody knows, made with the same costs as all others: what is tried for an unknown account
 * is compared with it, and takes as long.
 */
export const NOBODYS_HASH =
  '$argon2id$v=19$m=19456,t=2,p=1$I3F5F3/iRVAFCIbTJIa0EQ$jbCzS1N+lCCKBCUm8pyHUZBmJgfFmtK6gu8XxZctb3I';

/** Passwords: which ones may be chosen, and how they are kept (Argon2id, RFC 9106). */
export class Passwords {
  private common: Promise<ReadonlySet<string>> | null = null;

  /** The hash of a password that somebody chooses; refused by `auth.password` or `auth.password-common`. */
  async chosen(password: string): Promise<string> {
    if ([...password].length < LEAST_PASSWORD) throw Refusal.of('auth.password', { least: LEAST_PASSWORD }, 'password');
    // A list of some 49,000 that were found in leaks, the commonest first; read when it is first needed.
    this.common ??= import('@zxcvbn-ts/language-common').then(({ dictionary }) => {
      return new Set(dictionary['passwords-common'] as readonly string[]);
    });
    if ((await this.common).has(password.toLowerCase())) throw Refusal.of('auth.password-common', {}, 'password');
    return hash(password);
  }

  /** Whether a password is the one of a hash; null for an account that there isn't. */
  isRight(kept: string | null, password: string): Promise<boolean> {
    return verify(kept ?? NOBODYS_HASH, password).then(
      (isRight) => isRight && kept !== null,
      () => false,
    );
  }
}
