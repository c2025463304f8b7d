import type { Redirect } from '@plindo/core/design';
import { comparedAddress } from '@plindo/core/design';

/** Redirects with others from a file: what is led on already is led where the file says; the rest comes at the end. */
export function withRedirects(entries: readonly Redirect[], more: readonly Redirect[]): Redirect[] {
  const byFrom = new Map(entries.map((entry) => [comparedAddress(entry.from), entry]));
  for (const entry of more) byFrom.set(comparedAddress(entry.from), entry);
  return [...byFrom.values()];
}
