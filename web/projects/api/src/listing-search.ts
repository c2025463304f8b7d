import { signal } from '@angular/core';
import type { FoundListing } from '@plindo/core/contract';
import { map, of } from 'rxjs';
import type { CatalogApi } from './catalog-api';
import { PausedQuestion } from './paused-question';

/** Finds listings by what is typed, once typing pauses. To be made where Angular injects. */
export class ListingSearch {
  private readonly listings = signal<readonly FoundListing[]>([]);
  private readonly question: PausedQuestion<string, readonly FoundListing[]>;
  readonly found = this.listings.asReadonly();

  constructor(api: Pick<CatalogApi, 'find'>) {
    this.question = new PausedQuestion(
      (text) => (text.trim() === '' ? of([]) : api.find(text).pipe(map(({ listings }) => listings))),
      { next: (found) => this.listings.set(found), error: () => this.clear() },
    );
  }

  type(text: string): void {
    this.question.ask(text);
  }

  clear(): void {
    this.listings.set([]);
  }
}
