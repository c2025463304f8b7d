import { Injectable, computed, inject } from '@angular/core';
import { SessionApi, SessionStore } from '@plindo/api';
import { Notices } from '../../shared/notices';
import { STOCK_REASONS } from './review-words';

/** Sentences that the office often tells senders: its own, which owners keep and forget, and those that Plindo has. */
@Injectable({ providedIn: 'root' })
export class OwnReasons {
  private readonly api = inject(SessionApi);
  private readonly notices = inject(Notices);
  private readonly session = inject(SessionStore);
  private readonly own = computed(() => this.session.session()?.site.reviewReasons ?? []);
  readonly all = computed(() => [...this.own(), ...STOCK_REASONS]);

  isOwn(reason: string): boolean {
    return this.own().includes(reason);
  }

  keep(reason: string): void {
    this.save([...this.own(), reason], 'Kept the sentence');
  }

  forget(reason: string): void {
    this.save(
      this.own().filter((one) => one !== reason),
      'Forgot the sentence',
    );
  }

  private save(reviewReasons: readonly string[], sentence: string): void {
    const show = (): void => void this.api.load().subscribe();
    this.notices.tellAndShow(this.api.saveSite({ reviewReasons }), sentence, show);
  }
}
