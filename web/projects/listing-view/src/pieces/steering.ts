import { InjectionToken } from '@angular/core';
import type { Signal } from '@angular/core';
import type { SuggestionModel } from '@plindo/core/page';

/** An address that a page's own controls lead to. */
export interface StateChange {
  readonly url: string;
  /** Whether it takes the place of the present one, as while words are being typed. */
  readonly replace: boolean;
  /** Whether the visitor stays where they are on the page, as when more is shown. */
  readonly stays?: boolean;
}

/** Words that are being typed into the search of a list, which is told by its name. */
export interface TypedWords {
  readonly area: string;
  readonly text: string;
}

/** What pieces that steer lists ask of the page that they stand on. */
export interface PageSteering {
  /** Whether scripts run: what needs them is shown only then. */
  readonly interactive: Signal<boolean>;
  /** What fits the words that are being typed, and the names of places. */
  readonly suggestions: Signal<readonly SuggestionModel[]>;
  readonly places: Signal<readonly string[]>;
  follow(change: StateChange): void;
  /** Words are being typed into the search of a list. */
  type(words: TypedWords): void;
  typePlace(text: string): void;
}

export const PAGE_STEERING = new InjectionToken<PageSteering>('steering of a page');
