import type { GuidePage } from '@plindo/api';
import type { CategorySetSummary, KindSummary, SelectionSummary } from '@plindo/core/contract';
import { fieldType } from '@plindo/core/structure';
import { foldText } from '@plindo/core/values';

/** Somewhere that the jump box can lead to: an address of the Desk with its parts after "?". */
export interface Place {
  readonly icon: string;
  readonly label: string;
  /** What it is, beside the label. */
  readonly about: string;
  readonly link: readonly (string | number)[];
  /** Name of a page of the guide that it shows instead. */
  readonly guide?: string;
  readonly query?: Readonly<Record<string, string>>;
  /** Words by which it is found too. */
  readonly words?: string;
}

const MOST_PLACES = 12;

function placeOfGuide({ name, title, words }: GuidePage): Place {
  return { icon: 'menu_book', label: title, about: 'Guide', link: [], guide: name, words };
}

/** The Desk's own pages and first steps. */
const PAGES: readonly Place[] = [
  { icon: 'category', label: 'Shape', about: 'Page', link: ['/shape'], words: 'kinds fields structure' },
  { icon: 'hub', label: 'Map of the structure', about: 'Page', link: ['/shape/map'], words: 'diagram links' },
  {
    icon: 'data_object',
    label: 'Blueprint',
    about: 'Page',
    link: ['/shape/blueprint'],
    words: 'export apply structure',
  },
  { icon: 'view_agenda', label: 'Pages', about: 'Page', link: ['/arrange/pages'], words: 'home design parts' },
  { icon: 'palette', label: 'Looks', about: 'Page', link: ['/arrange/looks'], words: 'colours typefaces palette' },
  {
    icon: 'menu',
    label: 'Header and footer',
    about: 'Page',
    link: ['/arrange/frame'],
    words: 'menu logo',
  },
  {
    icon: 'warning',
    label: 'Troubles',
    about: 'Page',
    link: ['/arrange/troubles'],
    words: 'cut overflow alternative text',
  },
  { icon: 'checklist', label: 'Selections', about: 'Page', link: ['/arrange/selections'], words: 'saved questions' },
  { icon: 'warning', label: 'Problems', about: 'Page', link: ['/fill/problems'], words: 'missing duplicates broken' },
  { icon: 'photo_library', label: 'Pictures', about: 'Page', link: ['/fill/pictures'], words: 'images unused' },
  { icon: 'event', label: 'Calendar', about: 'Page', link: ['/run/calendar'], words: 'leaves expiry featured feed' },
  { icon: 'notes', label: 'Notices', about: 'Page', link: ['/run/notices'], words: 'mail told who' },
  { icon: 'mail', label: 'Outbox', about: 'Page', link: ['/run/outbox'], words: 'mails sent eml' },
  { icon: 'group', label: 'People', about: 'Page', link: ['/run/people'], words: 'invite role users log door' },
  { icon: 'backup', label: 'Backups', about: 'Page', link: ['/run/backups'], words: 'restore save copy schedule' },
  { icon: 'lightbulb', label: 'Learn', about: 'Page', link: ['/learn'], words: 'statistics numbers what to do next' },
  {
    icon: 'visibility',
    label: 'Views of listings',
    about: 'Page',
    link: ['/learn/views'],
    words: 'top rising traffic',
  },
  {
    icon: 'travel_explore',
    label: 'Pages and arrivals',
    about: 'Page',
    link: ['/learn/ways'],
    words: 'referrers sites',
  },
  {
    icon: 'tune',
    label: 'Facets and orders',
    about: 'Page',
    link: ['/learn/choices'],
    words: 'used never filters sort',
  },
  { icon: 'search', label: 'Searches', about: 'Page', link: ['/learn/searches'], words: 'found nothing words' },
  { icon: 'person', label: 'Your access', about: 'Page', link: ['/me'], words: 'password tokens second step sign out' },
  { icon: 'history', label: 'Changes', about: 'Page', link: ['/run'], words: 'run log undo settings' },
  {
    icon: 'upload_file',
    label: 'Start from a file',
    about: 'Command',
    link: ['/shape/from-file'],
    words: 'import',
  },
  { icon: 'add', label: 'New kind', about: 'Command', link: ['/shape/new'] },
  { icon: 'add', label: 'New category set', about: 'Command', link: ['/shape/categories/new'] },
  { icon: 'add', label: 'New selection', about: 'Command', link: ['/arrange/selections/new'] },
];

function placesOfKind({ kind }: KindSummary, inSentence: (label: string) => string): Place[] {
  const icon = kind.icon || 'category';
  return [
    { icon, label: kind.many, about: 'Listings', link: ['/fill', kind.id], words: `${kind.one} fill table` },
    { icon: 'add', label: `New ${inSentence(kind.one)}`, about: 'Command', link: ['/fill', kind.id, 'new'] },
    { icon, label: `Shape of ${kind.many}`, about: 'Kind', link: ['/shape', kind.id], words: 'fields' },
    { icon: 'tune', label: `Arrange ${kind.many}`, about: 'Page', link: ['/arrange', kind.id], words: 'facets cards' },
    {
      ...{ icon: 'schedule', label: `When ${kind.many} leave the site`, about: 'Rule' },
      ...{ link: ['/run/expiry', kind.id], words: 'expiry expire past until' },
    },
    ...kind.fields.map(({ key, label, type }) => ({
      icon: fieldType(type).icon,
      label,
      about: `Field of ${kind.many}`,
      link: ['/shape', kind.id],
      query: { openField: key },
      words: `${key} ${kind.many}`,
    })),
  ];
}

function placesOfSet({ set }: CategorySetSummary): Place[] {
  const link = ['/shape/categories', set.id];
  return [
    { icon: 'account_tree', label: set.label, about: 'Category set', link },
    ...set.categories.map(({ label, icon, key }) => ({
      icon: icon || 'label',
      label,
      about: `Category of ${set.label}`,
      link,
      query: { category: key },
    })),
  ];
}

function placeOfSelection({ selection: { id, name, purpose } }: SelectionSummary): Place {
  return { icon: 'checklist', label: name, about: 'Selection', link: ['/arrange/selections', id], words: purpose };
}

/** All places that are not listings. */
export function allPlaces(
  kinds: readonly KindSummary[],
  sets: readonly CategorySetSummary[],
  selections: readonly SelectionSummary[],
  guide: readonly GuidePage[] = [],
  inSentence: (label: string) => string = (label) => label,
): Place[] {
  return [
    ...PAGES,
    ...guide.map(placeOfGuide),
    ...kinds.flatMap((kind) => placesOfKind(kind, inSentence)),
    ...sets.flatMap(placesOfSet),
    ...selections.map(placeOfSelection),
  ];
}

/** The places that have all words, those whose label begins with them first. */
export function matchingPlaces(places: readonly Place[], text: string): Place[] {
  const wanted = foldText(text.trim());
  const words = wanted.split(/\s+/).filter((word) => word !== '');
  const scored = places.flatMap((place) => {
    const label = foldText(place.label);
    const all = `${label} ${foldText(place.words ?? '')} ${foldText(place.about)}`;
    if (!words.every((word) => all.includes(word))) return [];
    return [{ place, score: label.startsWith(wanted) ? 0 : label.includes(wanted) ? 1 : 2 }];
  });
  return scored
    .sort((a, b) => a.score - b.score)
    .map(({ place }) => place)
    .slice(0, MOST_PLACES);
}
