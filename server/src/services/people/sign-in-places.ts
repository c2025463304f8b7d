import { createHash } from 'node:crypto';
import { isIPv6 } from 'node:net';
import type { User } from '@plindo/core/contract';
import type { Store } from '../../store/index.js';
import { Telling } from '../notices/telling.js';

/** Notices when somebody signs in from where they never did before. */
export class SignInPlaces {
  constructor(private readonly store: Store) {}

  /** A place is a network with a browser; only a hash of it is kept. */
  async note(user: User, address: string, browser: string): Promise<void> {
    const place = createHash('sha256')
      .update(`${networkOf(address)} ${browser}`)
      .digest('hex');
    await this.store.aside(async (unit) => {
      if (!(await unit.noteSignIn(user.id, place))) return;
      const values = { who: user.name, email: user.email, address };
      await new Telling(unit).tellOfSite('signed-in', `${user.id} ${place}`, values, [user.email]);
    });
  }
}

/** The network of an address: its first three numbers, or the first 48 bits that an IPv6 site has (RFC 6177). */
function networkOf(address: string): string {
  const plain = address.replace(/^::ffff:/, '');
  return plain.split(isIPv6(plain) ? ':' : '.', 3).join('.');
}
