import { BLANK_CONTENT } from '@plindo/core/listings';
import type { Kind } from '@plindo/core/structure';
import { makeField, makeKindDefinition, readContext } from '@plindo/core/structure';
import { DeskServer } from '../../../../../harness/desk';
import { Shown } from '../../../../../harness/shown';
import type { LeavingDraft } from './leaving-control';
import { LeavingControl } from './leaving-control';

const NOW = Date.UTC(2026, 11, 1, 12);
const kind: Kind = {
  ...makeKindDefinition({
    ...{ slug: 'courses', one: 'Course', many: 'Courses' },
    fields: [makeField({ key: 'starts', label: 'Starts', type: 'date' })],
    expiry: {
      countedFrom: { by: 'field', field: 'starts' },
      consequences: [{ key: 'a', days: 30, deed: { act: 'delete' } }],
    },
  }),
  ...{ id: 4, version: 1 },
};
const values = { starts: '2026-12-04' };
const content = { ...BLANK_CONTENT, status: 'live' as const, values };

describe('When a listing leaves, in its form', () => {
  async function open(draft: LeavingDraft, given: object = {}): Promise<Shown<LeavingControl>> {
    new DeskServer();
    const context = readContext({ locale: 'en-GB', zone: 'UTC', nowInMs: NOW });
    const own = { ...content, expiry: draft.expiry, ...given };
    return Shown.of(LeavingControl, { kind, draft, content: own, publishedAt: null, context });
  }

  it('is told in words by the rule, with what then happens', async () => {
    const shown = await open({ expiry: 'by-rule', shownUntil: '' });
    expect(shown.texts('.note')).toEqual(['Leaves the site at the end of Friday, 4 December 2026 (UTC), in 3 days.']);
    expect(shown.texts('li')).toEqual(['delete it for good, 30 days after it has left']);
  });

  it('can be never, or a moment of its own', async () => {
    const shown = await open({ expiry: 'by-rule', shownUntil: '' });
    const told: LeavingDraft[] = [];
    shown.component.draftChange.subscribe((draft) => told.push(draft));
    const [, own, never] = shown.all<HTMLInputElement>('input[type=radio]');
    never!.click();
    own!.click();
    expect(told).toEqual([
      { expiry: 'off', shownUntil: '' },
      { expiry: 'by-rule', shownUntil: '' },
    ]);
    await shown.settled();
    expect(shown.all('pl-field-control')).toHaveSize(1);
  });

  it('says that there is nothing to count from', async () => {
    const shown = await open({ expiry: 'by-rule', shownUntil: '' }, { values: {} });
    expect(shown.texts('mat-radio-group .quiet')).toEqual(['nothing to count from yet']);
    expect(shown.texts('.note')).toEqual([]);
  });
});
