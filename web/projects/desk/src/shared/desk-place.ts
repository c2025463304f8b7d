import { Injectable, inject, signal } from '@angular/core';
import { SessionApi } from '@plindo/api';
import type { Observable } from 'rxjs';
import { Subject, catchError, of, switchMap, timer } from 'rxjs';

/** So often a Desk says where it is; the server takes it for closed after three times of silence. */
const SAID_EVERY_IN_MS = 20_000;

/** Says in which listing this Desk is, and knows who else has it open. One for each form. */
@Injectable()
export class DeskPlace {
  private readonly api = inject(SessionApi);
  private readonly desk = crypto.randomUUID();
  private readonly places = new Subject<number | null>();

  /** Names of the others. */
  readonly others = signal<readonly string[]>([]);

  constructor() {
    this.places
      .pipe(
        switchMap((listing) => {
          const times = listing === null ? of(0) : timer(0, SAID_EVERY_IN_MS);
          return times.pipe(switchMap(() => this.say(listing)));
        }),
      )
      .subscribe((others) => this.others.set(others));
  }

  /** Is in a listing from now on; null for in none. */
  stand(listing: number | null): void {
    this.others.set([]);
    this.places.next(listing);
  }

  /** Whoever can't be reached is told of it by the next thing that matters. */
  private say(listing: number | null): Observable<readonly string[]> {
    return this.api.stand(this.desk, listing).pipe(catchError(() => of([])));
  }
}
