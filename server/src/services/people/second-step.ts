import { randomBytes } from 'node:crypto';
import type { SecondStepStart, User } from '@plindo/core/contract';
import { Refusal } from '@plindo/core/values';
import { generateSecret, generateURI, verify } from 'otplib';
import { toString as pictureOf } from 'qrcode';
import type { Account, AccountChange, Store } from '../../store/index.js';
import { Telling } from '../notices/telling.js';
import type { DoorLog, From } from './door-log.js';
import type { Sealing } from './sealing.js';
import { isSealed } from './sealing.js';
import { digest, isSame } from './secrets.js';

const SPARE_CODES = 10;
/** A telephone's clock may go wrong by so much; RFC 6238, 5.2, recommends one step of 30 s. */
const TOLERANCE_IN_S = 30;

/**
 * The second step of signing in: six digits that a telephone makes of a secret and the time (RFC 6238), or one of ten
 * codes on paper. Such codes work without a fixed address and without HTTPS, which passkeys need, and a trial of Plindo on
 * one's own machine has neither.
 */
export class SecondStep {
  constructor(
    private readonly store: Store,
    private readonly clock: () => Date,
    private readonly doorLog: DoorLog,
    private readonly sealing: Sealing,
  ) {}

  /** A new secret for somebody; nothing is kept until `turnOn` is given a code that was made of it. */
  async start(user: User, site: string): Promise<SecondStepStart> {
    const secret = generateSecret();
    const uri = generateURI({ issuer: site, label: user.email, secret });
    return { secret, uri, picture: await pictureOf(uri, { type: 'svg', margin: 1 }) };
  }

  /** Asks for codes from now on; answers the codes for whoever has lost their telephone. Refused by `auth.code`. */
  async turnOn(user: User, secret: string, code: string, from: From): Promise<string[]> {
    const stepUsed = await this.stepOf(secret, code, 0);
    if (stepUsed === null) throw Refusal.of('auth.code', {}, 'code');
    const codes = Array.from({ length: SPARE_CODES }, () => randomBytes(5).toString('hex'));
    const spareCodes = codes.map((one) => salted(randomBytes(8).toString('hex'), one));
    const stepSecret = this.sealing.seal(secret, ownerOf(user));
    await this.store.aside(({ people }) => people.change(user.id, { stepSecret, stepUsed, spareCodes }));
    await this.doorLog.note('step-on', user, from);
    return codes;
  }

  /** Asks for no codes any more. */
  async turnOff(user: User, from: From): Promise<void> {
    await this.store.aside(async (unit) => {
      await unit.people.change(user.id, { stepSecret: null, stepUsed: 0, spareCodes: [] });
      await new Telling(unit).tellOfAccess(user, 'step-off');
    });
    await this.doorLog.note('step-off', user, from);
  }

  /** Takes a code, each once, also when it is given several times at once; refused by `auth.code`. */
  async take({ id, email }: Account, given: string, from: From): Promise<void> {
    const code = given.replace(/[\s-]/g, '').toLowerCase();
    const { isTaken, isSpare } = await this.store.aside(async ({ people }) => {
      const now = await people.one(id);
      const change = now && (await this.changeBy(now, code));
      if (!change) return { isTaken: false, isSpare: false };
      await people.change(id, change);
      return { isTaken: true, isSpare: 'spareCodes' in change };
    });
    if (!isTaken) {
      await this.doorLog.note('refused', email, from, 'code');
      throw Refusal.of('auth.code', {}, 'code');
    }
    if (isSpare) await this.doorLog.note('step-spare', email, from);
  }

  /** What taking a code changes of an account; null for a wrong one. */
  private async changeBy(account: Account, code: string): Promise<AccountChange | null> {
    if (account.stepSecret === null) return null;
    const spare = account.spareCodes.find((one) => isSame(one, salted(one.split(' ')[0]!, code)));
    if (spare !== undefined) return { spareCodes: account.spareCodes.filter((one) => one !== spare) };
    const owner = ownerOf(account);
    const secret = this.sealing.open(account.stepSecret, owner);
    const stepUsed = secret === null ? null : await this.stepOf(secret, code, account.stepUsed);
    if (secret === null || stepUsed === null) return null;
    return isSealed(account.stepSecret) ? { stepUsed } : { stepUsed, stepSecret: this.sealing.seal(secret, owner) };
  }

  /** The stretch of time of a code; null for one that is wrong, or no later than the one that was taken last. */
  private async stepOf(secret: string, token: string, after: number): Promise<number | null> {
    if (!/^\d{6}$/.test(token)) return null;
    const epoch = Math.floor(this.clock().getTime() / 1000);
    const options = {
      secret,
      token,
      epoch,
      epochTolerance: TOLERANCE_IN_S,
      ...(after > 0 && { afterTimeStep: after }),
    };
    const found = await verify(options).catch(() => ({ valid: false as const }));
    return found.valid && 'timeStep' in found ? found.timeStep : null;
  }
}

/** Whose secret it is, for the encryption. */
function ownerOf({ id }: Pick<User, 'id'>): string {
  return `person ${id}`;
}

/** A short code as it is kept: salted, as its hash could be looked up else (ASVS 4.0.3, 2.6.2). */
function salted(salt: string, code: string): string {
  return `${salt} ${digest(`${salt} ${code}`)}`;
}
