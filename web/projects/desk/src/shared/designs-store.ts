import { Injectable, computed, inject, signal } from '@angular/core';
import { DesignsApi, DraftsApi } from '@plindo/api';
import type { KeptDraft } from '@plindo/core/contract';
import type { Design } from '@plindo/core/design';
import { firstValueFrom } from 'rxjs';

/** The designs that the pages of the Desk share; read anew after every change. */
@Injectable({ providedIn: 'root' })
export class DesignsStore {
  private readonly api = inject(DesignsApi);
  private readonly draftsApi = inject(DraftsApi);
  /** What visitors see; null until it is read for the first time. */
  readonly designs = signal<readonly Design[] | null>(null);
  /** What visitors do not see yet; null until it is read for the first time. */
  readonly drafts = signal<readonly KeptDraft[] | null>(null);

  /** The same without who changed them. */
  readonly draftDesigns = computed(() => (this.drafts() ?? []).map(({ design }) => design));

  async reload(): Promise<readonly Design[]> {
    const designs = await firstValueFrom(this.api.all());
    this.designs.set(designs);
    return designs;
  }

  /** The designs with their drafts. */
  async reloadAll(): Promise<void> {
    const [designs, drafts] = await Promise.all([firstValueFrom(this.api.all()), firstValueFrom(this.draftsApi.all())]);
    this.designs.set(designs);
    this.drafts.set(drafts);
  }

  /** The draft of a design, or with null the new one that has a number. */
  draftOf(of: number | null, id = ''): Design | undefined {
    return this.draftDesigns().find((design) => (of === null ? String(design.id) === id : design.draft?.of === of));
  }
}
