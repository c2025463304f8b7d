import { Injectable, effect, inject } from '@angular/core';
import { SessionStore } from '@plindo/api';
import type { DeskChange } from '@plindo/core/contract';
import { Subject } from 'rxjs';

/** What others change, as the server tells it while the Desk is open. The browser connects again by itself. */
@Injectable({ providedIn: 'root' })
export class DeskEvents {
  private readonly session = inject(SessionStore);
  private readonly told = new Subject<DeskChange>();

  /** Changes by others; those that were made here are known already. */
  readonly changes = this.told.asObservable();

  constructor() {
    effect((done) => {
      const role = this.session.session()?.user?.role;
      if (!role || role === 'contributor' || this.session.session()?.needsStep) return;
      const source = new EventSource('/api/events');
      source.onmessage = ({ data }: MessageEvent<string>) => {
        const event = JSON.parse(data) as DeskChange;
        if (!event.isOwn) this.told.next(event);
      };
      done(() => source.close());
    });
  }
}
