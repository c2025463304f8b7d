import type { ComeBack } from '@plindo/core/page';
import { SENT_SLUG } from '@plindo/core/page';
import { partsOfPath } from './places.js';

/** The part of an address that names answers which are not sent yet. */
const AGAIN_PART = 'again';
/** The part that says that the sum was wrong. */
const [SUM_PART, WRONG] = ['sum', 'wrong'];
/** 256 bits in base64url. */
const SECRET = /^[\w-]{43}$/;

/** The part of an address that brings somebody back to a form. */
export function partOfComeBack({ token, isSumWrong }: ComeBack): string {
  return token === '' ? '' : `?${AGAIN_PART}=${token}${isSumWrong ? `&${SUM_PART}=${WRONG}` : ''}`;
}

/** What an address says of somebody who comes back to a form. */
export function comeBackIn(search: string): ComeBack {
  const parts = new URLSearchParams(search);
  const token = parts.get(AGAIN_PART) ?? '';
  return { token: SECRET.test(token) ? token : '', isSumWrong: parts.get(SUM_PART) === WRONG };
}

/** The secret in the address of what was sent in; null for any other address. */
export function secretIn(path: string): string | null {
  const [first, secret = '', ...more] = partsOfPath(path);
  return first === SENT_SLUG && SECRET.test(secret) && more.length === 0 ? secret : null;
}
