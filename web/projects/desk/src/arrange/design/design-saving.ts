import { Injectable, inject, signal } from '@angular/core';
import { DesignsApi } from '@plindo/api';
import type { Design } from '@plindo/core/design';
import type { UnplacedDesign } from '@plindo/core/plans';
import { DesignsStore } from '../../shared/designs-store';
import { Notices } from '../../shared/notices';

/** Saves what a designer has made, one at a time, and tells of it. */
@Injectable()
export class DesignSaving {
  private readonly api = inject(DesignsApi);
  private readonly designs = inject(DesignsStore);
  private readonly notices = inject(Notices);
  readonly isSaving = signal(false);

  /** Saves a design in the place of the one that is kept, or adds it; `after` runs once it can be read. */
  save(kept: Design | undefined, made: UnplacedDesign, after: (saved: Design) => void): void {
    if (this.isSaving()) return;
    this.isSaving.set(true);
    const { definition, type } = made;
    const sent = kept ? this.api.save({ ...kept, definition } as Design) : this.api.add(made);
    sent.subscribe({
      next: ({ changeId, result }) => {
        this.isSaving.set(false);
        this.notices.changed(`Saved the ${type} ${definition.name}`, changeId, () => void this.designs.reload());
        void this.designs.reload().then(() => after(result));
      },
      error: (error: unknown) => {
        this.isSaving.set(false);
        this.notices.refused(error);
      },
    });
  }
}
