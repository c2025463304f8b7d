import type { Design, RedirectTable } from '@plindo/core/design';
import { comparedAddress, redirectTable, redirectedTo, redirectsOf } from '@plindo/core/design';
import type { Live } from '../live/live.js';

/** Where the publisher leads those who come to an address of an older site. */
export class Redirects {
  /** Of the designs that were there then. */
  private known: { readonly designs: readonly Design[]; readonly table: RedirectTable } | null = null;

  /** `isThere` tells whether a page stands at an address. */
  constructor(
    private readonly live: Live,
    private readonly isThere: (path: string) => boolean,
  ) {}

  /** Where an address leads: named with what stands behind "?" in it, else without; null for nowhere. */
  to(url: string): string | null {
    const [table, address] = [this.table(), comparedAddress(url)];
    const [path = ''] = address.split('?');
    return redirectedTo(address, table, this.isThere) ?? redirectedTo(path, table, this.isThere);
  }

  private table(): RedirectTable {
    const designs = this.live.designs();
    if (this.known?.designs !== designs) {
      this.known = { designs, table: redirectTable(redirectsOf(designs)?.definition.entries ?? []) };
    }
    return this.known.table;
  }
}
