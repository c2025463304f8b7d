import { contextIn, makeKind, makeListing } from '../../testing/builders.js';
import { makeForm } from '../design/index.js';
import { makeField } from '../structure/index.js';
import { inputOfValues, readAnswers, sentText, textsOf, valuesOfListing } from './answers.js';

const lift = makeField({ key: 'lift', label: 'Lift', type: 'yes-no' });
const most = makeField({ key: 'most', label: 'Heaviest boat', type: 'decimal' });
const town = makeField({
  key: 'town',
  label: 'Town',
  type: 'link',
  settings: { linked: { kindId: 2, many: true, hasNotes: false } },
});
const web = makeField({ key: 'web', label: 'Website', type: 'web-address' });
const kind = makeKind([lift, most, town, web]);
const form = makeForm({
  name: 'Tell us',
  steps: [
    { questions: [{ field: '@title', label: 'What is it called?' }] },
    {
      questions: [
        { field: 'lift' },
        {
          ...{ field: 'most', label: 'How much can it lift?', isRequired: true },
          showWhen: { join: 'all', of: [{ field: 'lift', op: 'is', value: 'yes' }] },
        },
        { field: 'town' },
        { field: 'web' },
        { field: 'gone' },
      ],
    },
  ],
});
const context = contextIn('en');
const read = (answers: Record<string, unknown>) => readAnswers(form, kind, answers, context);

describe('Answers to a form', () => {
  it('are read by the types of their fields; links as numbers, each once; what is not asked for is left out', () => {
    const { values, issues } = read({
      ...{ '@title': ' Petrel  Yard ', lift: 'yes', most: '12.5', town: ['4', '4', 'x', '-1'], web: 'petrel.example' },
      ...{ status: 'live', '@featured': 'yes', gone: 'x' },
    });
    expect(issues).toEqual([]);
    expect(values).toEqual({
      ...{ '@title': 'Petrel Yard', lift: true, most: 12.5, town: [4], web: 'https://petrel.example' },
    });
  });

  it('are not asked for where their condition does not hold, even if something was answered', () => {
    const { values, hidden, issues } = read({ '@title': 'Petrel', lift: 'no', most: 'many' });
    expect([hidden, issues]).toEqual([['most'], []]);
    expect(Object.keys(values)).toEqual(['@title', 'lift', 'town', 'web']);
  });

  it('are refused by the words of the form, each with its field', () => {
    const told = (answers: Record<string, unknown>): unknown =>
      read(answers).issues.map(({ code, field, message }) => [code, field, message]);
    expect(told({ lift: 'yes' })).toEqual([
      ['value.required', '@title', 'What is it called? is required.'],
      ['value.required', 'most', 'How much can it lift? is required.'],
    ]);
    expect(told({ '@title': 'P', lift: 'yes', most: 'a lot' })).toEqual([
      ['value.not-a-number', 'most', jasmine.stringMatching('How much can it lift\\?')],
    ]);
  });

  it('become a listing, or are compared with one', () => {
    expect(inputOfValues({ '@title': 'P', most: 3 })).toEqual({ title: 'P', values: { most: 3 } });
    const linked = [{ id: 9, title: 'Kessel', path: '/towns/kessel' }];
    const listing = makeListing({ id: 1, title: 'P', values: { most: 3, town: linked } });
    expect(valuesOfListing(form, kind, listing)).toEqual({
      ...{ '@title': 'P', lift: null, most: 3, town: [9], web: null },
    });
  });

  it('are told in words, links by the titles of their listings', () => {
    const say = (field: typeof lift, value: unknown): string => sentText(field, value, context, (id) => `No. ${id}`);
    expect([say(town, [4, 5]), say(most, 1200.5), say(lift, null), say(most, 'broken')]).toEqual([
      ...['No. 4, No. 5', '1,200.5', '', ''],
    ]);
  });

  it('inside rows are refused with their row, and told a row a line; rows that are left empty are none', () => {
    const season = makeField({ key: 'season', label: 'Season', type: 'short-text', required: true });
    const price = makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } });
    const tariff = makeField({
      ...{ key: 'tariff', label: 'Tariff', type: 'rows', required: true },
      settings: { fields: [season, price], most: 2 },
    });
    const asks = makeForm({
      steps: [{ questions: [{ field: '@title' }, { field: 'tariff', label: 'What it costs' }] }],
    });
    const told = (rows: unknown): ReturnType<typeof read> =>
      readAnswers(asks, makeKind([tariff]), { '@title': 'P', tariff: rows }, context);
    const costs = { minor: 12_000, currency: 'EUR' };
    const [good, blank] = [{ season: 'Winter', price: '120' }, {}];
    const { values, issues } = told([good, blank, { season: 'https://x.example' }]);
    expect([issues, values['tariff']]).toEqual([
      [],
      [{ season: 'Winter', price: costs }, { season: 'https://x.example' }],
    ]);
    const line = (rows: unknown): string[] => told(rows).issues.map(({ field, message }) => `${field}: ${message}`);
    expect(line([blank, { price: 'a lot' }])).toEqual([
      'tariff.1.season: What it costs, row 2: Season is required.',
      jasmine.stringMatching(/^tariff.1.price: What it costs, row 2: Price/),
    ]);
    expect(line([{ season: '' }, { price: ' ' }])).toEqual(['tariff: What it costs is required.']);
    expect(line([good, good, good])).toEqual([jasmine.stringMatching('^tariff: What it costs')]);
    const rows = [{ season: 'Winter', price: costs }, { season: 'Summer' }];
    expect(sentText(tariff, rows, context, String)).toBe('Season Winter, Price €120\nSeason Summer');
    expect(textsOf({ tariff: values['tariff'] }, makeKind([tariff]))).toEqual(['Winter', 'https://x.example']);
  });

  it('are looked through for addresses, but those that are meant to be some', () => {
    expect(textsOf({ '@title': 'P', web: 'https://p.example', most: 3 }, kind)).toEqual(['P']);
  });
});
