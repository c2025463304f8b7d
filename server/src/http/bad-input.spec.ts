import { planPaste, readImportRow } from '@plindo/core/exchange';
import { readListing } from '@plindo/core/listings';
import { BUILT_IN_FIELDS } from '@plindo/core/structure';
import type { Field, FieldSettings, FieldTypeName } from '@plindo/core/structure';
import { makeField, readContext } from '@plindo/core/structure';
import type { Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

const choices = [{ key: 'quay', label: 'Quay' }];
const part = makeField({ key: 'name', label: 'Name', type: 'short-text', required: true, settings: { longest: 5 } });

/** A type with its settings, what is typed, and what has to be said of it. */
type Case = readonly [type: FieldTypeName, settings: FieldSettings, typed: string, said: string];

const CASES: readonly Case[] = [
  ['short-text', { longest: 5 }, 'too long by far', 'has 15 characters; at most 5 fit'],
  ['short-text', { pattern: '##-@@' }, '1-AB', 'must look like ##-@@'],
  ['long-text', { shortest: 9 }, 'brief', 'needs at least 9'],
  ['rich-text', { longest: 3 }, '<p>four</p>', 'at most 3 fit'],
  ['whole-number', {}, '1.5', 'must be a whole number'],
  ['whole-number', { greatest: 'this year + 1' }, '9999', 'must be at most'],
  ['decimal', {}, '1e999', 'must be a number'],
  ['decimal', { least: 0 }, '-0.01', 'must be at least 0'],
  ['decimal', { step: 0.5 }, '0.3', 'must be a multiple of 0.5'],
  ['decimal', {}, 'NaN', 'must be a number'],
  ['money', { currency: 'EUR' }, '12 USD', 'is kept in EUR'],
  ['money', { currency: 'EUR' }, '1.234', 'must be an amount of money'],
  ['measure', { unit: 'm' }, '4 kg', 'cannot be given in “kg”'],
  ['measure', { unit: 'm', greatest: 20 }, '66 ft', 'must be at most 20 m'],
  ['range', { ends: 'decimal' }, '9..4', 'Swap them'],
  ['yes-no', {}, 'perhaps', 'must be yes or no'],
  ['one-choice', { choices }, 'Raft', 'has no choice “Raft”'],
  ['several-choices', { choices }, 'Quay; Raft', 'has no choice “Raft”'],
  ['date', {}, '2026-02-30', 'must be a date'],
  ['date', { least: 'today' }, '1999-01-01', 'must be at least'],
  ['date-time', {}, '2026-02-03', 'must be a date and a time'],
  ['time-of-day', {}, '25:00', 'must be a time of day'],
  ['web-address', {}, 'javascript:alert(1)', 'must be a web address'],
  ['email', {}, 'a b@example.org', 'must be an e-mail address'],
  ['phone', {}, '<script>', 'must be a phone number'],
  ['colour', {}, 'url(javascript:x)', 'must be a colour'],
  ['rating', {}, '5.5', 'from 0 to 5 in halves'],
  ['place', {}, '91, 0', 'must be a latitude'],
  ['reference', { pattern: 'B-##' }, 'C-01', 'must look like B-##'],
  ['group', { fields: [part] }, '{"name":"much too long"}', 'Name has 13 characters'],
  ['rows', { fields: [part] }, '[{"name":"ok"},{"name":"","colour":"red"}]', 'no field “colour”'],
  ['rows', { fields: [part] }, '[[1]]', 'must be a set of values'],
  ['picture', {}, '../../etc/passwd', 'must be one of the pictures kept here'],
  ['file', {}, '../../etc/passwd', 'must be one of the files kept here'],
  ['computed', { expression: '1 + 1' }, '3', 'cannot be entered'],
];

describe('What does not fit', () => {
  const context = readContext({ locale: 'en-GB', zone: 'UTC', nowInMs: Date.now() });
  const fields = CASES.map(([type, settings], at): Field =>
    makeField({ key: `field_${at}`, label: `Field ${at}`, type, settings }),
  );
  let api: TestApi;
  let owner: Sender;

  beforeAll(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const made = await owner.send('POST', '/api/kinds', { one: 'Thing', many: 'Things', slug: 'things', fields });
    expect(made.status).withContext(JSON.stringify(made.json)).toBe(200);
  });

  afterAll(() => api.stop());

  CASES.forEach(([type, , typed, said], at) => {
    it(`is said alike by form, pasted block, import and API: ${type} “${typed}” (${at})`, async () => {
      const field = fields[at]!;
      const values = { [field.key]: typed };
      const inForm = readListing({ title: 'X', values }, { fields }, context).issues;
      const target = { rows: ['X'], fields: [field], titleOf: (row: string) => row, isEditable: () => true };
      const inBlock = planPaste([[typed]], target, context).refused;
      const row = readImportRow({ line: 2, input: { title: 'X', values } }, { fields }, 'refuse-row', context);
      const inFile = row.kind === 'refused' ? row.issues : [];
      const sent = await owner.send('POST', '/api/kinds/1/listings', { title: 'X', values });
      expect(sent.status).toBe(422);
      const byApi = sent.json.issues as { message: string; field: string }[];
      const sentence = inForm[0]?.message ?? '';
      expect(sentence).toContain(field.label);
      expect(sentence).toContain(said);
      expect([inBlock[0]?.message, inFile[0]?.message, byApi[0]?.message]).toEqual([sentence, sentence, sentence]);
      expect(byApi[0]?.field.split('.')[0]).toBe(field.key);
    });
  });

  const PARTS: readonly (readonly [part: string, given: unknown, said: string])[] = [
    ['title', 'x'.repeat(201), 'Title has 201 characters; at most 200 fit'],
    ['title', '  ', 'needs a title'],
    ['summary', 'x'.repeat(2001), 'Summary has 2001 characters; at most 2000 fit'],
    ['author', 'x'.repeat(121), 'Author has 121 characters; at most 120 fit'],
    ['slug', '../desk', '“../desk” does not fit'],
    ['status', 'gone', 'Status must be one of draft, in-review, live, hidden, binned'],
    ['handOrder', 'first', '“first”'],
    ['place', '91, 0', 'must be a latitude'],
    ['picture', { hash: 'nope' }, 'must be one of the pictures kept here'],
  ];

  for (const [part, given, said] of PARTS) {
    it(`is said alike of the parts that every listing has: ${part} ${JSON.stringify(given).slice(0, 24)}`, async () => {
      const input = { title: 'X', [part]: given };
      const inForm = readListing(input, { fields }, context).issues;
      const row = readImportRow({ line: 2, input }, { fields }, 'refuse-row', context);
      const inFile = row.kind === 'refused' ? row.issues : [];
      const byApi = (await owner.send('POST', '/api/kinds/1/listings', input)).json.issues as { message: string }[];
      const sentence = inForm[0]?.message ?? '';
      expect(sentence).toContain(said);
      expect([inFile[0]?.message, byApi[0]?.message]).toEqual([sentence, sentence]);
      if (part !== 'title' || typeof given !== 'string' || given.trim() === '') return;
      const target = { rows: ['X'], fields: [BUILT_IN_FIELDS.title], titleOf: String, isEditable: () => true };
      expect(planPaste([[given]], target, context).refused[0]?.message).toBe(sentence);
    });
  }

  it('leaves nothing behind', async () => {
    expect((await owner.send('GET', '/api/kinds/1/listings')).json.total).toBe(0);
  });
});
