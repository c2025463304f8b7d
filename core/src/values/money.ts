/** An amount of money: whole minor units (cents, pence, yen), never a float, and an ISO 4217 code. */
export interface Money {
  readonly minor: number;
  readonly currency: string;
}

/** Currencies whose number of decimals isn't 2: ISO 4217:2015, list one, as SIX publishes it. */
const OTHER_DIGITS: Readonly<Record<string, number>> = {
  ...Object.fromEntries(
    'BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX UYI VND VUV XAF XOF XPF'.split(' ').map((c) => [c, 0]),
  ),
  ...Object.fromEntries('BHD IQD JOD KWD LYD OMR TND'.split(' ').map((c) => [c, 3])),
  CLF: 4,
  UYW: 4,
};

/** How many decimals a currency has: EUR 2, JPY 0, KWD 3. */
export function minorDigits(currency: string): number {
  return OTHER_DIGITS[currency] ?? 2;
}

export function isCurrency(code: string): boolean {
  return /^[A-Z]{3}$/.test(code);
}

/** The amount in major units as exact decimal text: {minor: 1250, EUR} is "12.50". */
export function moneyToText({ minor, currency }: Money): string {
  const digits = minorDigits(currency);
  if (digits === 0) return String(minor);
  const padded = String(Math.abs(minor)).padStart(digits + 1, '0');
  return `${minor < 0 ? '-' : ''}${padded.slice(0, -digits)}.${padded.slice(-digits)}`;
}

/** Minor units of exact decimal text ("12.5" in EUR is 1250); null when it has more decimals than the currency. */
export function minorFromText(text: string, currency: string): number | null {
  const match = /^([+-]?)(\d*)(?:\.(\d*))?$/.exec(text);
  if (!match || (match[2] === '' && (match[3] ?? '') === '')) return null;
  const digits = minorDigits(currency);
  const fraction = (match[3] ?? '').replace(/0+$/, '');
  if (fraction.length > digits) return null;
  const minor = Number(`${match[2] ?? ''}${fraction.padEnd(digits, '0')}`);
  if (!Number.isSafeInteger(minor)) return null;
  return match[1] === '-' && minor !== 0 ? -minor : minor;
}
