import type { OwnWords, PluralWording, Word, Wording } from '@plindo/core/values';
import { shippedWords } from '@plindo/core/values';

/** A plural form, or '' for a sentence that has none. */
export type Form = Intl.LDMLPluralRule | '';

/** One sentence of the site, or one plural form of it. */
export interface WordLine {
  readonly key: Word;
  readonly form: Form;
  readonly shipped: string;
  /** '' where the publisher says what Plindo ships. */
  readonly own: string;
}

export interface WordEntry {
  readonly key: Word;
  readonly lines: readonly WordLine[];
}

export interface WordSection {
  readonly label: string;
  readonly entries: readonly WordEntry[];
}

/** By how their keys begin, what sentences are about, in the order in which they are shown. */
const SECTIONS: Readonly<Record<string, string>> = {
  page: 'Every page',
  home: 'Every page',
  breadcrumb: 'Every page',
  byline: 'Every page',
  share: 'Every page',
  over: 'Every page',
  busy: 'Every page',
  list: 'Lists',
  count: 'Lists',
  group: 'Lists under dates',
  jump: 'Lists under dates',
  pager: 'Further pages of a list',
  search: 'Search and order',
  sort: 'Search and order',
  order: 'Search and order',
  facets: 'Facets',
  facet: 'Facets',
  range: 'Facets',
  days: 'Facets',
  stars: 'Facets',
  chips: 'What is chosen',
  chip: 'What is chosen',
  map: 'Maps',
  gallery: 'Pictures',
  specification: 'Values',
  notice: 'Mails',
  form: 'Forms and what is sent in',
  tell: 'Forms and what is sent in',
  sent: 'Forms and what is sent in',
  refused: 'What is not right in a form',
  part: 'Values',
  value: 'Values',
};

/** All sentences of a site in a language, with what its publisher says instead, by what they are about. */
export function wordSections(language: string, own: OwnWords): WordSection[] {
  const shipped = shippedWords(language);
  const forms = new Intl.PluralRules(language).resolvedOptions().pluralCategories;
  const entries = (Object.keys(shipped) as Word[]).map((key): WordEntry => {
    const isPlural = typeof shipped[key] !== 'string';
    const lines = (isPlural ? forms : ([''] as const)).map((form): WordLine => {
      return { key, form, shipped: said(shipped[key], form), own: ownSaid(own[key], form) };
    });
    return { key, lines };
  });
  const labels = [...new Set(Object.values(SECTIONS))];
  return labels.map((label) => ({
    label,
    entries: entries.filter(({ key }) => SECTIONS[key.split('.')[0]!] === label),
  }));
}

/** The sections with what has all the words somewhere, and of these only what the publisher has changed where that is wanted. */
export function foundSections(sections: readonly WordSection[], text: string, onlyOwn: boolean): WordSection[] {
  const wanted = text.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = ({ key, lines }: WordEntry): boolean => {
    const all = [key, ...lines.flatMap(({ shipped, own }) => [shipped, own])].join(' ').toLowerCase();
    return wanted.every((word) => all.includes(word)) && (!onlyOwn || lines.some(({ own }) => own !== ''));
  };
  return sections
    .map((section) => ({ ...section, entries: section.entries.filter(fits) }))
    .filter(({ entries }) => entries.length > 0);
}

/** What the publisher says after a line has been written; what is empty, or as Plindo ships it, is left out. */
export function withLine(own: OwnWords, { key, form, shipped }: WordLine, text: string, language: string): OwnWords {
  const { [key]: before, ...others } = own;
  const isOwn = text.trim() !== '' && text !== shipped;
  if (form === '') return isOwn ? { ...others, [key]: text } : others;
  const ships = shippedWords(language)[key];
  const forms = formsOf(before ?? ships, ships, { [form]: isOwn ? text : shipped });
  const isChanged = Object.entries(forms).some(([name, one]) => one !== said(ships, name as Form));
  return isChanged ? { ...others, [key]: forms } : others;
}

/** A plural wording with some forms said otherwise. */
function formsOf(wording: Wording, ships: Wording, change: Readonly<Record<string, string>>): PluralWording {
  const before = typeof wording === 'string' ? { other: wording } : wording;
  return { ...before, ...change, other: change['other'] ?? before.other ?? said(ships, 'other') };
}

function said(wording: Wording, form: Form): string {
  if (typeof wording === 'string') return wording;
  return (form === '' ? undefined : wording[form]) ?? wording.other;
}

function ownSaid(wording: Wording | undefined, form: Form): string {
  if (wording === undefined) return '';
  if (typeof wording === 'string') return form === '' || form === 'other' ? wording : '';
  return (form === '' ? wording.other : wording[form]) ?? '';
}
