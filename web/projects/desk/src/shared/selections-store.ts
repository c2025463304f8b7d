import { Injectable, inject, signal } from '@angular/core';
import { SelectionsApi } from '@plindo/api';
import type { SelectionSummary } from '@plindo/core/contract';
import { firstValueFrom } from 'rxjs';

/** The selections that the pages of the Desk share; read anew after every change. */
@Injectable({ providedIn: 'root' })
export class SelectionsStore {
  private readonly api = inject(SelectionsApi);
  /** Null until they are read for the first time. */
  readonly selections = signal<readonly SelectionSummary[] | null>(null);

  async reload(): Promise<readonly SelectionSummary[]> {
    const selections = await firstValueFrom(this.api.all());
    this.selections.set(selections);
    return selections;
  }
}
