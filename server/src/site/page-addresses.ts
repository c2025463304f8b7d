import { LRUCache } from 'lru-cache';
import { partsOfUrl } from '@plindo/core/query';
import type { Live } from '../live/live.js';
import type { Destination, Pages } from './pages.js';
import { Held } from './held.js';

const MOST_KNOWN = 5000;
/** Of all of them; anybody can make up long ones. */
const MOST_CHARACTERS = 2_000_000;

/** Where addresses lead, as visitors send them; those that came lately needn't be taken apart again. */
export class PageAddresses {
  private readonly found = new LRUCache<string, Held<Destination>>({
    max: MOST_KNOWN,
    maxSize: MOST_CHARACTERS,
    sizeCalculation: (_found, url) => url.length,
  });

  constructor(
    private readonly live: Live,
    private readonly pages: Pages,
  ) {}

  /** Where an address leads, when it was found before and nothing has changed since. */
  known(url: string): Destination | undefined {
    return this.found.get(url)?.now();
  }

  find(url: string): Destination {
    const { path, search } = partsOfUrl(url);
    const destination = this.pages.destination(path, search);
    if (destination.kind === 'page' && destination.leadsThere) {
      this.found.set(url, new Held<Destination>(this.live, destination.leadsThere).is(destination));
    }
    return destination;
  }
}
