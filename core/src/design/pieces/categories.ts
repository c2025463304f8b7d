import type { Facet, Kind } from '../../structure/index.js';
import { choosesValues } from '../../structure/index.js';
import { optionsOf } from '../settings/control.js';
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
  controls: {
    of: {
      as: 'choice',
      label: 'Leads to',
      options: ({ kinds }) => kinds.filter(hasChoices).map(({ id, many }) => ({ key: id, label: many })),
    },
    facet: {
      as: 'choice',
      label: 'By the facet',
      options: ({ kindById }, { of }) => choiceFacets(kindById(of)),
    },
    layout: { as: 'choice', label: 'Stand as', options: optionsOf({ list: 'a list', tiles: 'tiles', tree: 'a tree' }) },
    counts: { as: 'yes-no', label: 'With how many listings each has' },
    heading: { as: 'text', label: 'Heading', isMore: true },
  },
  begin({ kinds, kind, listKind }) {
    const [first] = [listKind, kind, ...kinds].filter((one) => one !== null).filter(hasChoices);
    if (!first) return { lacks: 'a kind with a facet of values to choose' };
    return { settings: { of: first.id, facet: choiceFacets(first)[0]!.key } };
  },
  settle(settings, { kindById }) {
    const keys = choiceFacets(kindById(settings.of)).map(({ key }) => key);
    return { ...settings, facet: keys.includes(settings.facet) ? settings.facet : (keys[0] ?? '') };
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

function choiceFacets(kind: Pick<Kind, 'facets'> | undefined): readonly Pick<Facet, 'key' | 'label'>[] {
  return (kind?.facets ?? []).filter(({ control }) => choosesValues(control));
}

function hasChoices(kind: Kind): boolean {
  return choiceFacets(kind).length > 0;
}
