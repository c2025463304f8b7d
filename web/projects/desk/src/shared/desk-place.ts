import { Injectable, inject, signal } from '@angular/core';
import { SessionApi } from '@plindo/api';

/** So often a Desk says where it is; the server takes it for closed after three times of silence. */
const SAID_EVERY_IN_MS = 20_000;

/** Says in which listing this Desk is, and knows who else has it open. One for each form. */
@Injectable()
export class DeskPlace {
  private readonly api = inject(SessionApi);
  private readonly desk = crypto.randomUUID();
  private saying: ReturnType<typeof setInterval> | undefined;

  /** Names of the others. */
  readonly others = signal<readonly string[]>([]);

  /** Is in a listing from now on; null for in none. */
  stand(listing: number | null): void {
    clearInterval(this.saying);
    this.others.set([]);
    this.say(listing);
    if (listing !== null) this.saying = setInterval(() => this.say(listing), SAID_EVERY_IN_MS);
  }

  private say(listing: number | null): void {
    this.api.stand(this.desk, listing).subscribe({
      next: (others) => this.others.set(others),
      // Whoever can't be reached is told of it by the next thing that matters.
      error: () => this.others.set([]),
    });
  }
}
