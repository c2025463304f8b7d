import { Injectable, inject, signal } from '@angular/core';
import { CatalogApi } from '@plindo/api';
import type { CategorySetSummary } from '@plindo/core/contract';
import { firstValueFrom } from 'rxjs';

/** The category sets that the pages of the Desk share; read anew after every change. */
@Injectable({ providedIn: 'root' })
export class CategorySetsStore {
  private readonly api = inject(CatalogApi);
  /** Null until they are read for the first time. */
  readonly sets = signal<readonly CategorySetSummary[] | null>(null);

  async reload(): Promise<readonly CategorySetSummary[]> {
    const sets = await firstValueFrom(this.api.categorySets());
    this.sets.set(sets);
    return sets;
  }
}
