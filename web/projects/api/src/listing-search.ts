import { signal } from '@angular/core';
import type { FoundListing } from '@plindo/core/contract';
import type { CatalogApi } from './catalog-api';

const TYPING_PAUSE_IN_MS = 250;

/** Finds listings by what is typed, once typing pauses. */
export class ListingSearch {
  private readonly listings = signal<readonly FoundListing[]>([]);
  private typing: ReturnType<typeof setTimeout> | undefined;
  readonly found = this.listings.asReadonly();

  constructor(private readonly api: Pick<CatalogApi, 'find'>) {}

  type(text: string): void {
    clearTimeout(this.typing);
    this.typing = setTimeout(() => {
      if (text.trim() === '') this.clear();
      else this.api.find(text).subscribe(({ listings }) => this.listings.set(listings));
    }, TYPING_PAUSE_IN_MS);
  }

  clear(): void {
    this.listings.set([]);
  }
}
