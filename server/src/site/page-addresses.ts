import { LRUCache } from 'lru-cache';
import type { Live } from '../live/live.js';
import { Held } from './held.js';
import type { Destination, LeadsToPage, Pages } from './pages.js';

const MOST_KNOWN = 5000;
/** Of all of them; anybody can make up long ones. */
const MOST_CHARACTERS = 2_000_000;

/** Where addresses lead, as visitors send them; those that came lately needn't be taken apart again. */
export class PageAddresses {
  private readonly found = new LRUCache<string, Held<LeadsToPage>>({
    max: MOST_KNOWN,
    maxSize: MOST_CHARACTERS,
    sizeCalculation: (_found, url) => url.length,
  });

  constructor(
    private readonly live: Live,
    private readonly pages: Pages,
  ) {}

  /** The page that an address leads to, when it was found before and nothing has changed since. */
  known(url: string): LeadsToPage | undefined {
    return this.found.get(url)?.now();
  }

  find(url: string): Destination {
    const destination = this.pages.destination(url);
    if (destination.kind === 'page' && destination.leadsThere) {
      this.found.set(url, new Held<LeadsToPage>(this.live, destination.leadsThere).is(destination));
    }
    return destination;
  }
}
