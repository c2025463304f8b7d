import type { Signal } from '@angular/core';
import { InjectionToken, inject, signal } from '@angular/core';
import type { SentWords, ViewWord, ViewWords, WordValues } from '@plindo/core/values';
import { viewWords } from '@plindo/core/values';

/** What the components of a page say to its visitors; English as Plindo ships it where no page says otherwise. */
export const PAGE_WORDS = new InjectionToken<Signal<ViewWords>>('words of the page', {
  factory: () => signal(viewWords({ locale: 'en', said: {} })),
});

/** Makes the words of a page out of what it brings of them. The server gives one that keeps them between renderings. */
export const MAKE_WORDS = new InjectionToken<(sent: SentWords) => ViewWords>('makes the words of a page', {
  factory: () => viewWords,
});

export type Say = (key: ViewWord, values?: WordValues) => string;

/** Says sentences of the page that a component stands on. To be called where `inject` can be. */
export function sayOnPage(): Say {
  const words = inject(PAGE_WORDS);
  return (key, values) => words().say(key, values);
}
