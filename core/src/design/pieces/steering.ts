import type { Setting, SettingsOf } from '../settings/setting.js';
import { words } from '../settings/setting.js';
import type { PieceScene } from './piece-type.js';

/** Names of areas and of facets stand in addresses. */
export const LONGEST_AREA_NAME = 40;

/** The settings of a piece that steers a list or tells something of it: which one. */
export const STEERING_FORM = {
  /** The name of a list on the page that visitors can steer; '' for the one without a name. */
  area: words(LONGEST_AREA_NAME),
} satisfies Record<string, Setting<unknown>>;

/** What is wrong with a piece that steers no list of its page. */
export function withoutArea({ area }: SettingsOf<typeof STEERING_FORM>, { areas }: PieceScene): string[] {
  if (areas.includes(area)) return [];
  if (areas.length === 0) return ['this page has no list that visitors can steer.'];
  return [area === '' ? 'it does not say which list it steers.' : `there is no list “${area}” on this page.`];
}
