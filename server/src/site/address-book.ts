import type { AddressLook, FormerAddresses } from '@plindo/core/contract';
import { SELECTIONS_SLUG } from '@plindo/core/structure';
import { partsOfUrl } from '@plindo/core/query';
import type { Live } from '../live/live.js';
import type { AddressScope, Store } from '../store/index.js';
import { FormerPlaces } from './former-places.js';
import { Places } from './places.js';

const MOST_SHOWN = 200;

/** Tells what stands at addresses, and which ones stood for something before. */
export class AddressBook {
  private readonly places: Places;
  private readonly former: FormerPlaces;

  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {
    this.places = new Places(live);
    this.former = new FormerPlaces(store, live, this.places);
  }

  /** Addresses that Plindo remembers, those that have a text in them, with where each leads now. */
  async formerOnes(text: string): Promise<FormerAddresses> {
    const { total, rows } = await this.store.formerAddresses(text, MOST_SHOWN);
    const paths = rows.flatMap(({ scope, address }) => this.pathOf(scope, address) ?? []);
    const shown = await Promise.all(paths.map(async (from) => ({ from, to: await this.former.at(from) })));
    return { total, rows: shown };
  }

  /** What is at each of some addresses of the site: a page, or what leads to one. */
  look(addresses: readonly string[]): Promise<AddressLook[]> {
    return Promise.all(
      addresses.map(async (address) => {
        const { path } = partsOfUrl(address);
        const isThere = this.places.at(path)?.of !== undefined;
        return { address, isThere, leadsTo: isThere ? null : await this.former.at(path) };
      }),
    );
  }

  /** Null for what was of a kind that is gone. */
  private pathOf(scope: AddressScope, address: string): string | null {
    if (scope === 'kinds' || scope === 'pages') return `/${address}`;
    if (scope === 'selections') return `/${SELECTIONS_SLUG}/${address}`;
    const kind = this.live.kind(Number(scope.slice('kind '.length)));
    return kind ? `/${kind.slug}/${address}` : null;
  }
}
