import { InjectionToken, signal } from '@angular/core';
import type { Signal } from '@angular/core';
import type { CardForms } from '@plindo/core/page';

/** The forms of the cards on the page that pieces stand on. */
export const PAGE_CARD_FORMS = new InjectionToken<Signal<CardForms>>('forms of cards', { factory: () => signal({}) });

/** The number of the listing whose page it is; null for none. */
export const PAGE_LISTING = new InjectionToken<Signal<number | null>>('listing of the page', {
  factory: () => signal(null),
});
