import { isIPv6 } from 'node:net';
import type { User } from '@plindo/core/contract';
import type { Store } from '../../store/index.js';
import { Telling } from '../notices/telling.js';
import type { From } from './door-log.js';
import { digest } from './secrets.js';

/** From where people sign in; tells them when somebody does from where they never did before. */
export class SignInPlaces {
  constructor(private readonly store: Store) {}

  /** A place is a network with a browser; only a hash of it is kept. */
  placeOf({ address, browser }: From): string {
    return digest(`${networkOf(address)} ${browser}`);
  }

  /** Whether somebody has signed in from there before. */
  isKnown(userId: number, from: From): Promise<boolean> {
    return this.store.accounts.hasSignedInFrom(userId, this.placeOf(from));
  }

  async note(user: User, from: From): Promise<void> {
    const place = this.placeOf(from);
    await this.store.aside(async (unit) => {
      if (!(await unit.noteSignIn(user.id, place))) return;
      const values = { who: user.name, email: user.email, address: from.address };
      await new Telling(unit).tellOfSite('signed-in', `${user.id} ${place}`, values, [user.email]);
    });
  }
}

/** The network of an address: its first three numbers, or the first 48 bits that an IPv6 site has (RFC 6177). */
function networkOf(address: string): string {
  const plain = address.replace(/^::ffff:/, '');
  return plain.split(isIPv6(plain) ? ':' : '.', 3).join('.');
}
