import type { SubmissionDetail } from '@plindo/core/contract';
import { makeField } from '@plindo/core/structure';
import { DeskServer } from '../../../../../harness/desk';
import { kindSummary } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { AskForValue } from '../../fill/table/ask-for-value';
import { SubmissionPanel } from './submission-panel';

const TYPING_PAUSES_IN_MS = 500;

const text = (said: string) => ({ text: said, pictures: [] });
const DETAIL: SubmissionDetail = {
  ...{ id: 5, version: 2, intent: 'correction', state: 'waiting', kindId: 1, listingId: 9, title: 'Long quay' },
  ...{ reason: '', message: '', sender: { name: 'Ana', email: 'ana@example.org', userId: null }, suspicions: [] },
  ...{ createdAt: '2026-11-30T09:00:00Z', changedAt: '2026-11-30T09:00:00Z', consents: [], alike: [] },
  values: { '@title': 'Longer quay', price: 12 },
  fields: [
    { key: '@title', label: 'Title', sent: text('Longer quay'), now: text('Long quay'), isChangedSince: false },
    { key: 'price', label: 'Price', sent: text('€12.00'), now: text('€10.00'), isChangedSince: true },
  ],
  listing: { id: 9, title: 'Long quay', version: 7, status: 'live' },
  begins: { status: 'live', featured: false },
};

describe('A submission that is reviewed', () => {
  let server: DeskServer;
  let shown: Shown<SubmissionPanel>;

  async function open(detail: SubmissionDetail): Promise<void> {
    server = new DeskServer('editor');
    shown = await Shown.of(SubmissionPanel, { id: detail.id });
    await server.answer('GET', '/api/kinds', [kindSummary()]);
    await server.answer('GET', `/api/submissions/${detail.id}`, detail);
    await shown.settled();
  }
  const reload = async (revision: number, detail: SubmissionDetail): Promise<void> => {
    await shown.set({ revision });
    await server.answer('GET', `/api/submissions/${detail.id}`, detail);
    await shown.settled();
  };
  const write = async (reason: string): Promise<void> => {
    const [area] = shown.all<HTMLTextAreaElement>('textarea');
    area!.value = reason;
    area!.dispatchEvent(new Event('input'));
    await shown.settled();
  };

  it('stands beside what is there now; what is not taken stays, by the version that was seen', async () => {
    await open(DETAIL);
    expect(shown.texts('tbody th')).toEqual(['Title', 'Price']);
    expect(shown.texts('.since')).toEqual(['Somebody changed it since this was sent.']);
    shown.all<HTMLInputElement>('[aria-label="Take Price"]')[0]!.click();
    await shown.settled();
    await shown.press('Accept 1 of 2');
    const [sent] = await server.answer('POST', '/api/submissions/5/accept', { changeId: 3, result: DETAIL });
    expect(sent).toEqual({
      ...{ version: 2, reason: '', status: 'live', featured: false, listingVersion: 7 },
      values: { '@title': 'Longer quay' },
    });
  });

  it('keeps what was written while others send something in, and begins anew when it was sent again', async () => {
    await open(DETAIL);
    await write('Which one?');
    await reload(1, DETAIL);
    expect(shown.all<HTMLTextAreaElement>('textarea')[0]!.value).toBe('Which one?');
    await reload(2, { ...DETAIL, version: 3 });
    expect(shown.all<HTMLTextAreaElement>('textarea')[0]!.value).toBe('');
  });

  it('that may be misuse says why, and a refusal of the server is told', async () => {
    await open({ ...DETAIL, intent: 'new', listing: null, listingId: null, suspicions: ['trap'] });
    expect(shown.texts('.warning li')).toEqual(['A field that people don’t see was filled in.']);
    await shown.press('Return it with a reason');
    server.refuse('POST', '/api/submissions/5/return', { code: 'submission.reason', message: 'Write a reason.' });
    await shown.settled();
    expect(shown.texts('[role=alert]')).toEqual(['Write a reason.']);
    expect(shown.texts('td, th').join()).not.toContain('What is there now');
  });

  it('keeps a sentence that an owner wrote among those that are often used, and erases a sender without an account', async () => {
    server = new DeskServer('owner');
    shown = await Shown.of(SubmissionPanel, { id: 5 });
    await server.answer('GET', '/api/kinds', [kindSummary()]);
    await server.answer('GET', '/api/submissions/5', DETAIL);
    await shown.settled();
    await write('  Which pier is it? ');
    await shown.press('Keep it as a sentence that is often used');
    const [kept] = await server.answer('PUT', '/api/site', { changeId: 8, result: {} });
    expect(kept).toEqual({ reviewReasons: ['Which pier is it?'] });
    const asked = spyOn(window, 'confirm').and.returnValue(true);
    await shown.press('Erase who sent it …');
    expect(asked.calls.mostRecent().args[0]).toContain('ana@example.org');
    await server.answer('DELETE', '/api/submissions/5/sender', null);
    const nobody = { name: '', email: '', userId: null };
    await server.answer('GET', '/api/submissions/5', { ...DETAIL, sender: nobody });
    await shown.settled();
    expect(shown.texts('header').join()).toContain('From somebody');
    expect(shown.texts('header button')).toEqual([]);
  });

  it('is added to another listing that was looked for, and has its links changed on the way', async () => {
    const harbour = makeField({
      ...{ key: 'harbour', label: 'Harbour', type: 'link' },
      settings: { linked: { kindId: 2, many: false, hasNotes: false } },
    });
    const asked: unknown[] = [];
    const openDialog = (data: { value: unknown }, then: (read: unknown) => void): void => {
      asked.push(data.value);
      then([{ id: 31, title: 'Sallow Creek', note: '' }]);
    };
    server = new DeskServer('editor', [{ provide: AskForValue, useValue: { open: openDialog } }]);
    const fields = [{ key: 'harbour', label: 'Harbour', sent: text('Old Lock'), now: null, isChangedSince: false }];
    const detail = {
      ...DETAIL,
      intent: 'new',
      listing: null,
      listingId: null,
      fields,
      values: { harbour: [30] },
    } as const;
    shown = await Shown.of(SubmissionPanel, { id: 5 });
    const summary = kindSummary();
    await server.answer('GET', '/api/kinds', [{ ...summary, kind: { ...summary.kind, fields: [harbour] } }]);
    await server.answer('GET', '/api/submissions/5', detail);
    await shown.settled();
    await shown.press('Change Harbour');
    await server.answer('GET', '/api/listings/30', { id: 30, title: 'Old Lock' });
    await shown.settled();
    expect(asked).toEqual([[jasmine.objectContaining({ id: 30, title: 'Old Lock' })]]);
    expect(shown.texts('.new')).toEqual(['Sallow Creek']);
    const [search] = shown.all<HTMLInputElement>('input[type=search]');
    search!.value = 'quay';
    search!.dispatchEvent(new Event('input'));
    await new Promise((resolve) => setTimeout(resolve, TYPING_PAUSES_IN_MS));
    const listings = [
      { id: 8, kindId: 1, title: 'North quay' },
      { id: 9, kindId: 2, title: 'Of another kind' },
    ];
    await server.answer('GET', '/api/find', { total: 2, listings });
    await shown.settled();
    expect(shown.texts('.alike li a')).toEqual(['North quay']);
    await shown.press('Add 1 value to it');
    await server.answer('GET', '/api/listings/8', { id: 8, title: 'North quay', version: 4 });
    const [sent] = await server.answer('POST', '/api/submissions/5/merge', { changeId: 3, result: detail });
    expect(sent).toEqual({ version: 2, reason: '', values: { harbour: [31] }, listingId: 8, listingVersion: 4 });
  });
});
