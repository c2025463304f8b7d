import type { ExpiryEffects } from '@plindo/core/listings';
import type { KindDefinition } from '@plindo/core/structure';
import { makeField, makeKindDefinition } from '@plindo/core/structure';
import { DeskServer } from '../../../../../harness/desk';
import { Shown } from '../../../../../harness/shown';
import { ExpiryPage } from './expiry-page';

const COURSES: KindDefinition = makeKindDefinition({
  ...{ slug: 'courses', one: 'Course', many: 'Courses' },
  fields: [
    makeField({ key: 'starts', label: 'Starts', type: 'date' }),
    makeField({ key: 'contact', label: 'Contact', type: 'email' }),
    makeField({
      key: 'topics',
      label: 'Topics',
      type: 'categories',
      settings: { choices: [{ key: 'past', label: 'Past courses' }] },
    }),
  ],
});

const EFFECTS: ExpiryEffects = {
  ...{ listings: 80, following: 80, undated: 1, left: 14, soon: 9 },
  turns: { 'leaves-now': 14, 'comes-back': 0, 'leaves-soon': 9, moves: 56 },
  consequences: { c1: { now: 14, soon: 9 } },
  examples: [{ id: 5, title: 'Knots', turn: 'leaves-now', before: null, after: Date.UTC(2026, 10, 4) }],
};

describe('The rule by which listings leave', () => {
  let server: DeskServer;
  let shown: Shown<ExpiryPage>;

  async function open(kind: KindDefinition = COURSES, role: 'owner' | 'editor' = 'owner'): Promise<void> {
    server = new DeskServer(role);
    shown = await Shown.of(ExpiryPage, { kindId: '4' });
    await server.answer('GET', '/api/kinds', [{ kind: { ...kind, id: 4, version: 2 }, counts: {} }]);
    await shown.settled();
  }
  const choose = async (label: string, value: string): Promise<void> => {
    const control = shown.all<HTMLSelectElement | HTMLInputElement>(`[aria-label="${label}"]`)[0]!;
    control.value = value;
    control.dispatchEvent(new Event('change'));
    await shown.settled();
  };
  const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 250));

  it('begins with a date of the kind, and says with numbers what it does before it is kept', async () => {
    await open();
    await shown.press('Let them leave by Starts');
    await choose('Add what happens', 'hidden');
    expect(shown.texts('.aloud p')).toEqual([
      'Courses leave the site at the end of the day in Starts.',
      'When it leaves: hide it.',
    ]);
    await pause();
    const asked = await server.answer('POST', '/api/kinds/4/expiry/plan', EFFECTS);
    await shown.settled();
    expect((asked.at(-1) as { expiry: { consequences: object[] } }).expiry.consequences).toHaveSize(1);
    expect(shown.texts('pl-effects-panel p')).toEqual([
      '80 of 80 follow the rule.',
      '1 of them stays, as it has no date.',
      'It takes 14 of 80 Courses off the site now.',
      '9 more leave within 30 days.',
    ]);
    expect(shown.texts('.counted')).toEqual(['14 now, 9 within 30 days']);
    await shown.press('Save the rule');
    const [saved] = (await server.answer('PUT', '/api/kinds/4', { changeId: 3, result: {} })) as KindDefinition[];
    expect(saved!.expiry?.countedFrom).toEqual({ by: 'field', field: 'starts', rangeEnd: 'to', dayEdge: 'end' });
  });

  it('is not kept while something is wrong with it, and names what', async () => {
    await open();
    await shown.press('Let them leave by Starts');
    await choose('Add what happens', 'tell');
    expect(shown.texts('.fault')).toEqual(['It says nobody who is to be told.']);
    const addresses = shown.all<HTMLTextAreaElement>('pl-consequence-editor textarea')[0]!;
    addresses.value = 'office@example.org\nnobody';
    addresses.dispatchEvent(new Event('change'));
    await shown.settled();
    expect(shown.texts('pl-consequence-editor .problem')[0]).toContain('“nobody” is not an e-mail address');
    await shown.press('Save the rule');
    expect(server.waiting('PUT', '/api/kinds/4')).toEqual([]);
    expect(shown.texts('[role=alert] li')).toEqual(['“nobody” is not an e-mail address.']);
  });

  it('moves the moment by the calendar, and lets people be told before it', async () => {
    await open();
    await shown.press('Let them leave by Starts');
    await choose('At it, before or after', '-1');
    await choose('Unit of time', 'week');
    await choose('How much', '2');
    await choose('Add what happens', 'tell');
    await choose('When it happens', '-1');
    await choose('Days', '7');
    const addresses = shown.all<HTMLTextAreaElement>('pl-consequence-editor textarea')[0]!;
    addresses.value = 'office@example.org';
    addresses.dispatchEvent(new Event('change'));
    await shown.settled();
    expect(shown.texts('.aloud p')).toEqual([
      'Courses leave the site 2 weeks before the end of the day in Starts.',
      '7 days before it leaves: tell office@example.org.',
    ]);
  });

  it('is read, and no more, by editors', async () => {
    await open(
      makeKindDefinition({
        ...COURSES,
        expiry: { countedFrom: { by: 'publishing' }, offset: { amount: 1, unit: 'month' } },
      }),
      'editor',
    );
    expect(shown.texts('.aloud p')).toEqual(['Courses leave the site 1 month after it was published.']);
    expect(shown.all<HTMLFieldSetElement>('fieldset')[0]!.disabled).toBeTrue();
    await pause();
    expect(server.waiting('POST', '/api/kinds/4/expiry/plan')).toEqual([]);
  });
});
