import { LRUCache } from 'lru-cache';
import { partsOfUrl } from '@plindo/core/query';
import type { Live } from '../live/live.js';
import type { Destination, Pages } from './pages.js';
import type { Stretch } from './stretch.js';
import { holds, stretchNow } from './stretch.js';

const MOST_KNOWN = 5000;

/** Where addresses lead, as visitors send them; those that came lately needn't be taken apart again. */
export class PageAddresses {
  private readonly found = new LRUCache<string, Stretch & { readonly destination: Destination }>({ max: MOST_KNOWN });

  constructor(
    private readonly live: Live,
    private readonly pages: Pages,
  ) {}

  /** Where an address leads, when it was found before and nothing has changed since. */
  known(url: string): Destination | undefined {
    const found = this.found.get(url);
    return found && holds(found, this.live) ? found.destination : undefined;
  }

  find(url: string): Destination {
    const { path, search } = partsOfUrl(url);
    const stretch = stretchNow(this.live);
    const destination = this.pages.destination(path, search);
    this.found.set(url, { ...stretch, destination });
    return destination;
  }
}
