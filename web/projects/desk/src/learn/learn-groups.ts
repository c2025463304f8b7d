import type { LearnGroup } from '@plindo/core/learn';
import type { IconName } from '@plindo/listing-view';

/** The pages of Learn: the first one for what to do, and one for each group of tables. */
export const LEARN_PAGES: readonly {
  readonly group: LearnGroup | null;
  readonly icon: IconName;
  readonly label: string;
}[] = [
  { group: null, icon: 'lightbulb', label: 'What to do next' },
  { group: 'views', icon: 'visibility', label: 'Views of listings' },
  { group: 'ways', icon: 'travel_explore', label: 'Pages and arrivals' },
  { group: 'choices', icon: 'tune', label: 'Facets and orders' },
  { group: 'searches', icon: 'search', label: 'Searches' },
  { group: 'incoming', icon: 'inbox', label: 'What comes in' },
  { group: 'designs', icon: 'view_agenda', label: 'Designs' },
];
