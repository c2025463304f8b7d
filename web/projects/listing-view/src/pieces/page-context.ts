import { InjectionToken, signal } from '@angular/core';
import type { Signal } from '@angular/core';
import type { CardForms } from '@plindo/core/page';

/** The forms of the cards on the page that pieces stand on. */
export const PAGE_CARD_FORMS = new InjectionToken<Signal<CardForms>>('forms of cards', { factory: () => signal({}) });
