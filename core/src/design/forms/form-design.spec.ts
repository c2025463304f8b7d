import { contextIn, makeKind } from '../../../testing/builders.js';
import type { Field, FieldTypeName } from '../../structure/index.js';
import { makeField } from '../../structure/index.js';
import { SiteWords } from '../../values/index.js';
import { askableFields, askedSubfields } from './askable.js';
import { checkForm } from './check-form.js';
import { firstForm } from './first-form.js';
import type { FormSketch } from './form-design.js';
import { makeForm, questionsOf } from './form-design.js';

const lift = makeField({ key: 'lift', label: 'Lift', type: 'yes-no' });
const phone = makeField({ key: 'phone', label: 'Telephone', type: 'phone', required: true, section: 'contact' });
const sum = makeField({ key: 'sum', label: 'Sum', type: 'computed' });
const kind = makeKind([lift, phone, sum], {
  parts: ['summary', 'place'],
  sections: [{ key: 'contact', label: 'Contact', folded: false }],
});
const scene = { kindById: (id: number) => (id === 1 ? kind : undefined), context: contextIn() };
const asking = (...questions: NonNullable<NonNullable<FormSketch['steps']>[number]['questions']>) =>
  makeForm({ name: 'Tell us', steps: [{ title: 'Yard', questions }] });

describe('A form of visitors', () => {
  it('can ask for the parts and fields of a kind, but for what Plindo works out', () => {
    expect(askableFields(kind).map(({ key }) => key)).toEqual(['@title', '@summary', '@place', 'lift', 'phone']);
  });

  it('can ask for a group or rows as a whole, so for none with something inside that it cannot ask for', () => {
    const inside = (type: FieldTypeName): Field => makeField({ key: type, label: type, type });
    const rows = (key: string, ...fields: Field[]): Field =>
      makeField({ key, label: key, type: 'rows', settings: { fields } });
    const tariff = rows('tariff', inside('money'), inside('computed'));
    const [views, all] = [rows('views', inside('money'), inside('picture')), rows('all', inside('computed'))];
    const asked = askableFields(makeKind([tariff, views, all], { parts: [] })).map(({ key }) => key);
    expect(asked).toEqual(['@title', 'tariff']);
    expect(askedSubfields(tariff).map(({ key }) => key)).toEqual(['money']);
  });

  it('begins with a step for what has no section, one for each section, and a consent', () => {
    const form = firstForm(kind, new SiteWords('en-GB'));
    expect(form.steps.map(({ title, questions }) => [title, ...questions.map(({ field }) => field)])).toEqual([
      ['About the berth', '@title', '@summary', '@place', 'lift'],
      ['Contact', 'phone'],
    ]);
    expect(
      questionsOf(form)
        .filter(({ isRequired }) => isRequired)
        .map(({ field }) => field),
    ).toEqual(['@title', 'phone']);
    expect([form.consents.length, form.needsEmail, form.beginsAs]).toEqual([1, true, 'live']);
    expect(checkForm(form, kind, scene)).toEqual([]);
  });

  it('gives every part a key of its own, and refuses settings that cannot be', () => {
    const keys = questionsOf(asking({ field: 'lift' }, { field: '@title' }, { key: 'question' })).map(({ key }) => key);
    expect(new Set(keys).size).toBe(3);
    expect(() => makeForm({ name: 'F', beginsAs: 'binned' as 'live' })).toThrow();
  });

  it('has to ask for all that a listing needs, each once, and for what is there', () => {
    const told = (form: ReturnType<typeof asking>): string[] =>
      checkForm(form, kind, scene).map(({ field, message }) => `${field} ${message}`);
    expect(told(asking({ field: '@title' }, { field: 'phone' }))).toEqual([]);
    expect(told(asking({ field: '@title', label: 'Name' }, { field: '@title' }, { field: 'sum' }))).toEqual([
      jasmine.stringMatching('^steps.1.questions.2 .*Title: it is asked twice'),
      jasmine.stringMatching('^steps.1.questions.3 .*sum: its field is not there'),
      jasmine.stringMatching('^steps .*Telephone: every listing needs it'),
    ] as unknown as string[]);
  });

  it('names conditions that ask for what is not there', () => {
    const form = asking(
      { field: '@title' },
      { field: 'phone', showWhen: { join: 'all', of: [{ field: 'gone', op: 'is', value: 'yes' }] } },
    );
    expect(checkForm(form, kind, scene).map(({ code, field }) => [code, field])).toEqual([
      ['design.questions', 'steps.1.questions.2'],
    ]);
  });
});
