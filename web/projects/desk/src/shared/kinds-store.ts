import { Injectable, inject, signal } from '@angular/core';
import { CatalogApi } from '@plindo/api';
import type { KindSummary } from '@plindo/core/contract';
import { firstValueFrom } from 'rxjs';

/** The kinds that the pages of the Desk share; read anew after every change. */
@Injectable({ providedIn: 'root' })
export class KindsStore {
  private readonly api = inject(CatalogApi);
  /** Null until they are read for the first time. */
  readonly kinds = signal<readonly KindSummary[] | null>(null);

  async reload(): Promise<readonly KindSummary[]> {
    const kinds = await firstValueFrom(this.api.kinds());
    this.kinds.set(kinds);
    return kinds;
  }
}
