import type { SettingsOf } from '../settings/setting.js';
import { group, listOf, readSettings, words } from '../settings/setting.js';

export const MOST_REDIRECTS = 20_000;
const LONGEST_ADDRESS = 2000;

/** Where visitors are led to who come to an address of an older site. */
export const REDIRECTS_FORM = {
  name: words(80),
  purpose: words(300),
  entries: listOf(group({ from: words(LONGEST_ADDRESS), to: words(LONGEST_ADDRESS) }), MOST_REDIRECTS),
};

export type RedirectsDesign = SettingsOf<typeof REDIRECTS_FORM>;
export type Redirect = RedirectsDesign['entries'][number];

/** Redirects with every property at its plain default but those given. Throws a `SettingFault` for what cannot be. */
export function makeRedirects(given: Partial<RedirectsDesign>): RedirectsDesign {
  return readSettings(REDIRECTS_FORM, given, 'redirects');
}

/**
 * An address of an older site as it is compared: the path with what stands behind "?", without the site before it, a
 * slash at its end, and what stands behind "#", which browsers do not send. '' for what is none.
 */
export function comparedAddress(address: string): string {
  const own = address.trim().replace(/^https?:\/\/[^/?#]+/i, '');
  const [path = '', search] = own.replace(/#.*$/s, '').split(/\?(.*)/s);
  if (!path.startsWith('/')) return '';
  const plain = path.length > 1 ? path.replace(/\/+$/, '') || '/' : path;
  return search ? `${plain}?${search}` : plain;
}

/** Where each address of an older site leads by itself. */
export type RedirectTable = ReadonlyMap<string, string>;

export function redirectTable(entries: readonly Redirect[]): RedirectTable {
  return new Map(entries.map(({ from, to }) => [comparedAddress(from), to.trim()]));
}

/**
 * Where an address leads, at once to the last one of a chain, which ends where something stands by itself; null for
 * nowhere, and for what leads round in a circle.
 */
export function redirectedTo(
  address: string,
  table: RedirectTable,
  isThere: (address: string) => boolean = () => false,
): string | null {
  const passed = new Set<string>();
  let from = comparedAddress(address);
  let led: string | null = null;
  for (;;) {
    const to = table.get(from);
    if (to === undefined || (led !== null && isThere(from))) return led;
    if (passed.has(from)) return null;
    passed.add(from);
    led = to;
    from = to.startsWith('/') ? comparedAddress(to) : '';
  }
}
