import type { Setting, SettingsOf } from '../settings/setting.js';
import { words } from '../settings/setting.js';
import type { Controls } from '../settings/control.js';
import type { PieceBeginning, PieceChoices, PieceScene } from './piece-type.js';

/** Names of areas and of facets stand in addresses. */
export const LONGEST_AREA_NAME = 40;

/** The settings of a piece that steers a list or tells something of it: which one. */
export const STEERING_FORM = {
  /** The name of a list on the page that visitors can steer; '' for the one without a name. */
  area: words(LONGEST_AREA_NAME),
} satisfies Record<string, Setting<unknown>>;

type SteeringSettings = SettingsOf<typeof STEERING_FORM>;

export const STEERING_CONTROLS: Controls<SteeringSettings, PieceChoices> = {
  area: { as: 'choice', label: 'Of which list', options: ({ areas }) => areas.map(namedArea) },
};

function namedArea(key: string): { key: string; label: string } {
  return { key, label: key === '' ? 'the one without a name' : key };
}

/** A new piece steers the first list of its page. */
export function beginSteering({ areas: [area] }: PieceChoices): PieceBeginning<SteeringSettings> {
  return area === undefined ? { lacks: 'a list that visitors can steer' } : { settings: { area } };
}

/** What is wrong with a piece that steers no list of its page. */
export function withoutArea({ area }: SteeringSettings, { areas }: PieceScene): string[] {
  if (areas.includes(area)) return [];
  if (areas.length === 0) return ['this page has no list that visitors can steer.'];
  return [area === '' ? 'it does not say which list it steers.' : `there is no list “${area}” on this page.`];
}
