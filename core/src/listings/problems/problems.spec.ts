import { contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import { makeCategory, makeField } from '../../structure/index.js';
import type { Listing } from '../listing.js';
import type { FoundProblem } from './problems.js';
import { KindProblems, unusedCategories } from './problems.js';

const FIELDS = [
  makeField({ key: 'depth', label: 'Depth', type: 'short-text' }),
  makeField({ key: 'site', label: 'Web site', type: 'web-address' }),
  makeField({ key: 'about', label: 'About', type: 'long-text' }),
  makeField({ key: 'blurb', label: 'Blurb', type: 'rich-text' }),
  makeField({ key: 'beds', label: 'Beds', type: 'whole-number', required: true, settings: { greatest: 10 } }),
  makeField({
    key: 'cot',
    label: 'Cot',
    type: 'short-text',
    required: true,
    showWhen: { field: 'beds', op: 'above', value: '3' },
  }),
];

function problemsOf(...listings: Listing[]): FoundProblem[] {
  const problems = new KindProblems(makeKind(FIELDS, { many: 'Huts' }), contextIn());
  for (const listing of listings) problems.look(listing);
  return problems.result();
}

const hut = (id: number, values: Record<string, unknown>, more: Partial<Listing> = {}): Listing =>
  makeListing({ id, title: `Hut ${id}`, values: { beds: 2, ...values }, ...more });

describe('The problems of a kind', () => {
  it('are none where everything is right, and the bin doesn’t count', () => {
    const fine = { depth: 'deep', site: 'https://example.org/a?b=1', about: 'See www.example.org/x, or write.' };
    const binned = hut(2, { beds: 99 }, { status: 'binned', title: 'Hut 1' });
    expect(problemsOf(hut(1, fine), binned)).toEqual([]);
  });

  it('name required values that are missing, where they are asked for', () => {
    const [beds, cot, ...others] = problemsOf(
      makeListing({ id: 1, title: 'Empty' }),
      hut(2, { beds: 5 }),
      hut(3, { beds: 5, cot: 'yes' }),
    );
    expect([beds?.sentence, beds?.total]).toEqual(['Beds of Huts is required and missing', 1]);
    expect(beds?.places).toEqual([{ listingId: 1, title: 'Empty', detail: '' }]);
    expect(cot?.places.map(({ title }) => title)).toEqual(['Hut 2']);
    expect(others).toEqual([]);
  });

  it('name what was kept aside, and values that the rules of today refuse', () => {
    const aside = { beds: { type: 'short-text' as const, text: 'a few' } };
    const found = problemsOf(hut(1, {}, { aside }), hut(2, { beds: 11, cot: 'yes' }));
    expect(found.map(({ code, places }) => [code, places[0]?.detail])).toEqual([
      ['kept-aside', 'a few'],
      ['unfit-value', 'Beds must be at most 10.'],
    ]);
  });

  it('name broken web addresses, wherever they stand', () => {
    const found = problemsOf(
      hut(1, { about: 'At http//example.org or www.example.org.' }),
      hut(2, { site: 'https://exa mple' }),
      hut(3, { blurb: '<p><a href="https://">here</a></p>' }, { body: '<a href="mailto:a@example.org">mail</a>' }),
    ).filter(({ code }) => code === 'broken-address');
    expect(found.map(({ field, places }) => [field, places[0]?.detail])).toEqual([
      ['about', 'http//example.org'],
      ['site', 'https://exa mple'],
      ['blurb', 'https://'],
    ]);
  });

  it('name numbers that are kept as text, but no codes', () => {
    const numbers = ['1.5', '2', '10', '12,000', '3'].map((depth, at) => hut(at + 1, { depth }));
    expect(problemsOf(...numbers).map(({ code, total }) => [code, total])).toEqual([['numbers-as-text', 5]]);
    expect(problemsOf(...['001', '002', '010', '003', '009'].map((depth, at) => hut(at + 1, { depth })))).toEqual([]);
  });

  it('name listings that are called the same, and pictures without words', () => {
    const picture = { hash: 'a'.repeat(32), width: 3, height: 2, alt: '' };
    const found = problemsOf(hut(1, {}, { title: 'Élan' }), hut(2, {}, { title: 'elan', picture }));
    expect(found.map(({ code, total }) => [code, total])).toEqual([
      ['same-title', 1],
      ['no-alt-text', 1],
    ]);
    expect(found[0]?.places).toEqual([{ listingId: 1, title: 'Élan', detail: '2 of this title' }]);
  });

  it('name categories that no listing has', () => {
    const categories = [makeCategory({ key: 'a', label: 'Used' }), makeCategory({ key: 'b', label: 'Idle' })];
    const set = { id: 4, version: 1, slug: 's', label: 'Services', categories };
    expect(unusedCategories(set, { a: 2 })[0]).toEqual(
      jasmine.objectContaining({ setId: 4, total: 1, places: [{ title: 'Idle', detail: '' }] }),
    );
    expect(unusedCategories(set, { a: 2, b: 1 })).toEqual([]);
  });
});
