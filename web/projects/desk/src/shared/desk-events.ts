import { Injectable, effect, inject } from '@angular/core';
import { SessionStore } from '@plindo/api';
import type { DeskChange } from '@plindo/core/contract';
import { Observable, Subject, filter, retry } from 'rxjs';

/** Changes of others often come several at once; what reads much anew waits for so long. */
export const OTHERS_PAUSE_IN_MS = 500;
/** The browser connects again by itself where a connection breaks, but not where it is answered with an error. */
const AGAIN_IN_MS = 5_000;

/** What others change, as the server tells it while the Desk is open. */
@Injectable({ providedIn: 'root' })
export class DeskEvents {
  private readonly session = inject(SessionStore);
  private readonly told = new Subject<DeskChange>();

  /** All changes, also one's own, here or in another window. */
  readonly all = this.told.asObservable();
  /** Changes by others; one's own are mostly made here, and known already. */
  readonly changes = this.told.pipe(filter(({ isOwn }) => !isOwn));

  constructor() {
    effect((done) => {
      const role = this.session.session()?.user?.role;
      if (!role || role === 'contributor' || this.session.session()?.needsStep) return;
      const listening = this.listen()
        .pipe(retry({ delay: AGAIN_IN_MS }))
        .subscribe(this.told);
      done(() => listening.unsubscribe());
    });
  }

  /** Fails where the server answers with an error, as it does while it is started again behind a proxy. */
  private listen(): Observable<DeskChange> {
    return new Observable((heard) => {
      const source = new EventSource('/api/events');
      source.onmessage = ({ data }: MessageEvent<string>) => heard.next(JSON.parse(data) as DeskChange);
      source.onerror = () => {
        if (source.readyState === EventSource.CLOSED) heard.error(new Error('The server does not tell of changes.'));
      };
      return () => source.close();
    });
  }
}
