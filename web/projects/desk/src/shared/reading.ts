import { Injectable, computed, inject } from '@angular/core';
import { SessionStore } from '@plindo/api';
import { readContext } from '@plindo/core/structure';

/** With what values are read and shown in the Desk: the site's locale and zone, at the time of the sign-in. */
@Injectable({ providedIn: 'root' })
export class Reading {
  private readonly session = inject(SessionStore);
  readonly context = computed(() => {
    const { locale = 'en', zone = 'UTC' } = this.session.session()?.site ?? {};
    return readContext({ locale, zone, nowInMs: Date.now() });
  });

  /** A label as it stands inside a sentence of the site's language: "Berth" becomes "berth", "VIP room" stays. */
  inSentence(label: string): string {
    return this.context().formats.words.inSentence(label);
  }

  /** A moment (ISO 8601) in the site's zone, as its locale writes it. */
  moment(iso: string): string {
    return this.context().formats.exactly(Date.parse(iso));
  }
}
