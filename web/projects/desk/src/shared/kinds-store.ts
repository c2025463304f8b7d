import type { Signal } from '@angular/core';
import { Injectable, computed, inject, signal } from '@angular/core';
import { CatalogApi } from '@plindo/api';
import type { KindSummary } from '@plindo/core/contract';
import type { Kind } from '@plindo/core/structure';
import { firstValueFrom } from 'rxjs';

/** The kinds that the pages of the Desk share; read anew after every change. */
@Injectable({ providedIn: 'root' })
export class KindsStore {
  private readonly api = inject(CatalogApi);
  /** Null until they are read for the first time. */
  readonly kinds = signal<readonly KindSummary[] | null>(null);

  /** The kind that an address names; undefined until the kinds are read, and when there is no such kind. */
  kindOf(idInAddress: Signal<string>): Signal<Kind | undefined> {
    return computed(() => this.kinds()?.find(({ kind }) => kind.id === Number(idInAddress()))?.kind);
  }

  /** Gives a kind by its number, as far as they have been read. */
  readonly byId = (id: number): Kind | undefined => this.kinds()?.find(({ kind }) => kind.id === id)?.kind;

  async reload(): Promise<readonly KindSummary[]> {
    const kinds = await firstValueFrom(this.api.kinds());
    this.kinds.set(kinds);
    return kinds;
  }
}
