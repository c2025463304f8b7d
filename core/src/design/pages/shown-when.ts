import type { SettingsOf } from '../settings/setting.js';
import { conditionSetting, flag, group, listOf, oneOf, words } from '../settings/setting.js';

/** The screens on which something is shown. Narrow ones are those where columns stand one below the other; "none" hides it everywhere. */
export const SCREENS = ['all', 'narrow', 'wide', 'none'] as const;
export const VIEWERS = ['anyone', 'visitor', 'signed-in'] as const;

/** Who looks at a page: somebody who has signed in, or any visitor. */
export type Viewer = Exclude<(typeof VIEWERS)[number], 'anyone'>;

const LONGEST_KEY = 100;

/** What is chosen in a facet of a list of the page. */
const CHOSEN_FORM = {
  /** Name of the list; '' for the one with plain parts of the address. */
  list: words(40),
  facet: words(LONGEST_KEY),
  /** Holds when one of these is chosen; none for anything at all. */
  values: listOf(words(LONGEST_KEY), 50),
  /** Holds when it is not so. */
  not: flag(),
};
export type ChosenTest = SettingsOf<typeof CHOSEN_FORM>;

/** When a strip or a piece is shown; all of it has to hold. */
export const SHOWN_FORM = {
  /** Of the page's listing; null for always. */
  showWhen: conditionSetting,
  /** Of the category that the page is about: these, and what lies under them; none for any. */
  categories: listOf(words(LONGEST_KEY), 50),
  chosen: listOf(group(CHOSEN_FORM), 10),
  screens: oneOf(SCREENS, 'all'),
  viewer: oneOf(VIEWERS, 'anyone'),
};

export type ShownWhen = SettingsOf<typeof SHOWN_FORM>;

export const ALWAYS_SHOWN: ShownWhen = { showWhen: null, categories: [], chosen: [], screens: 'all', viewer: 'anyone' };

/** What is said of when something is shown, with its defaults, of something of which more is said. */
export function shownWhenOf(given: Partial<ShownWhen>): ShownWhen {
  const { showWhen, categories, chosen, screens, viewer } = { ...ALWAYS_SHOWN, ...given };
  return { showWhen, categories, chosen, screens, viewer };
}
