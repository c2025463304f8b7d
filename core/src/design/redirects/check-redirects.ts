import type { Issue } from '../../values/index.js';
import { nameIssues } from '../check-name.js';
import { wrong } from '../pages/check-shown.js';
import { isAddress } from '../pieces/address.js';
import type { RedirectsDesign } from './redirects-design.js';
import { comparedAddress, redirectTable, redirectedTo } from './redirects-design.js';

/** Everything that is wrong with redirects: what is no address, comes twice, or leads round in a circle. */
export function checkRedirects(design: RedirectsDesign): Issue[] {
  const first = new Map<string, number>();
  const table = redirectTable(design.entries);
  const faults = design.entries.flatMap(({ from, to }, at): Issue[] => {
    const place = `entries.${at + 1}`;
    const name = `Redirect ${at + 1}`;
    const compared = comparedAddress(from);
    if (compared === '') return [wrong(name, `“${from}” is no address: it begins with / or https://.`, place)];
    if (!isAddress(to.trim()) || to.startsWith('#')) {
      return [wrong(name, `“${to}” leads nowhere: give an address as /about or https://…`, place)];
    }
    const before = first.get(compared);
    if (before !== undefined) return [wrong(name, `“${from}” is led on by redirect ${before + 1} already.`, place)];
    first.set(compared, at);
    return redirectedTo(compared, table) !== null ? [] : [wrong(name, `“${from}” leads back to itself.`, place)];
  });
  return [...nameIssues(design), ...faults];
}
