import { Injectable, inject, signal } from '@angular/core';
import { DesignsApi } from '@plindo/api';
import type { Design } from '@plindo/core/design';
import { firstValueFrom } from 'rxjs';

/** The designs that the pages of the Desk share; read anew after every change. */
@Injectable({ providedIn: 'root' })
export class DesignsStore {
  private readonly api = inject(DesignsApi);
  /** Null until they are read for the first time. */
  readonly designs = signal<readonly Design[] | null>(null);

  async reload(): Promise<readonly Design[]> {
    const designs = await firstValueFrom(this.api.all());
    this.designs.set(designs);
    return designs;
  }
}
