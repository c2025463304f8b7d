import type { CatalogApi } from '@plindo/api';
import type { LinkedListing } from '@plindo/core/structure';
import type { Observable } from 'rxjs';
import { forkJoin, map, of } from 'rxjs';

/** Links of a submission, which come as numbers of listings, as their control has them: with titles. */
export class LinkedAnswers {
  private readonly titles = new Map<number, string>();

  constructor(private readonly catalog: Pick<CatalogApi, 'listing'>) {}

  /** The listings that a link was sent for. */
  listings(sent: unknown): Observable<readonly LinkedListing[]> {
    const ids = Array.isArray(sent) ? (sent as readonly number[]) : [];
    if (ids.length === 0) return of([]);
    return forkJoin(ids.map((id) => this.catalog.listing(id).pipe(map(({ title }) => linked(id, title)))));
  }

  /** The numbers of listings that were chosen in the control, whose titles are known from then on. */
  numbers(chosen: unknown): number[] {
    const listings = chosen as readonly LinkedListing[];
    for (const { id, title } of listings) this.titles.set(id, title);
    return listings.map(({ id }) => id);
  }

  readonly titleOf = (id: number): string => this.titles.get(id) ?? String(id);
}

function linked(id: number, title: string): LinkedListing {
  return { id, title, note: '', slug: '', href: null, onSite: false };
}
