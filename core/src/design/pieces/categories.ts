import { choosesValues } from '../../structure/index.js';
import { flag, numberFrom, oneOf, words } from '../settings/setting.js';
import { textSetting } from '../settings/text-settings.js';
import { makeSlot } from '../slots/slot.js';
import { pieceType } from './piece-type.js';

const CATEGORY_LAYOUTS = ['list', 'tiles', 'tree'] as const;

export const categories = pieceType({
  label: 'Categories',
  icon: 'account_tree',
  purpose: 'The values of a facet of a kind, each of which leads to its listings',
  form: {
    /** Number of the kind, and key of its facet. */
    of: numberFrom(0, Number.MAX_SAFE_INTEGER, 0),
    facet: words(60),
    layout: oneOf(CATEGORY_LAYOUTS, 'list'),
    counts: flag(true),
    heading: textSetting,
  },
  faults({ of, facet: key }, { kindById }) {
    const kind = kindById(of);
    if (!kind) return ['the kind that it leads to is not there any more.'];
    const facet = kind.facets.find((one) => one.key === key);
    if (!facet) return [`${kind.many} have no facet “${key}” any more.`];
    return choosesValues(facet.control) ? [] : [`${facet.label} has no values to choose.`];
  },
  slots: ({ heading }) => [makeSlot({ key: 'heading', text: heading.length > 0 ? heading : ['-'] })],
  withSlots: (settings, [slot]) => ({ ...settings, heading: settings.heading.length > 0 ? slot!.text : [] }),
  withNumbers: (settings, numbers) => ({ ...settings, of: numbers.kind(settings.of) }),
});
