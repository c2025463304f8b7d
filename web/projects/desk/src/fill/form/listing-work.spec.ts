import { TestBed } from '@angular/core/testing';
import type { Listing } from '@plindo/core/listings';
import { makeKind, makeListing } from '../../../../../../core/testing/builders';
import { DeskServer } from '../../../../../harness/desk';
import { draftOf } from './form-draft';
import { ListingWork } from './listing-work';

const KIND = makeKind([], { id: 1 });
const QUAY = makeListing({ id: 7, kindId: 1, title: 'Quay', summary: 'By the crane' });
const KEPT_AS = 'plindo unsaved 1 7';

describe('Work on a listing', () => {
  let server: DeskServer;
  let work: ListingWork;

  beforeEach(() => {
    localStorage.removeItem(KEPT_AS);
    localStorage.removeItem('plindo unsaved 1 new');
    server = new DeskServer('editor', [ListingWork]);
    work = TestBed.inject(ListingWork);
  });

  const type = (part: 'title' | 'summary', text: string): void =>
    work.type({ ...work.draft()!, [part]: text }, part, () => []);
  const answer = (listing: Listing): Promise<unknown> => server.answer('GET', `/api/listings/${listing.id}`, listing);
  async function open(): Promise<void> {
    work.open(KIND, '7');
    await answer(QUAY);
  }

  it('asks for a listing once, however often its kind is read again while it is on its way', async () => {
    work.open(KIND, '7');
    work.open({ ...KIND }, '7');
    expect(server.waiting('GET', '/api/listings/7').length).toBe(1);
  });

  it('shows the one that was asked for last, also when an earlier answer is late', async () => {
    work.open(KIND, '7');
    const [late] = server.waiting('GET', '/api/listings/7');
    work.open(KIND, '8');
    await answer(makeListing({ id: 8, kindId: 1, title: 'Slip' }));
    expect(late!.cancelled).toBeTrue();
    expect(work.draft()!.title).toBe('Slip');
  });

  it('keeps what was typed while the listing was read again', async () => {
    await open();
    work.takeIn();
    type('title', 'Old quay');
    await answer({ ...QUAY, version: QUAY.version + 1, summary: 'By the ferry' });
    expect(work.draft()).toEqual({ ...draftOf(QUAY), title: 'Old quay', summary: 'By the ferry' });
    expect(work.changed()).toBeTrue();
  });

  it('keeps what was typed while it was being saved, as not saved yet', async () => {
    await open();
    type('title', 'Old quay');
    const sent = work.draft()!;
    type('summary', 'By the ferry');
    expect(work.saved(QUAY, sent, { ...QUAY, version: 2, title: 'Old quay', slug: 'old-quay' })).toBeTrue();
    expect(work.listing()!.version).toBe(2);
    expect(work.draft()).toEqual({ ...draftOf(QUAY), title: 'Old quay', slug: 'old-quay', summary: 'By the ferry' });
    expect(work.changed()).toBeTrue();
    expect(localStorage.getItem(KEPT_AS)).withContext('A reload must not lose it').toContain('By the ferry');
  });

  it('is saved when nothing was typed meanwhile', async () => {
    await open();
    type('title', 'Old quay');
    work.saved(QUAY, work.draft()!, { ...QUAY, version: 2, title: 'Old quay' });
    expect(work.changed()).toBeFalse();
    expect(localStorage.getItem(KEPT_AS)).toBeNull();
  });

  it('leaves another listing alone that was opened before the first was saved', async () => {
    await open();
    type('title', 'Old quay');
    const sent = work.draft()!;
    work.open(KIND, '8');
    await answer(makeListing({ id: 8, kindId: 1, title: 'Slip' }));
    expect(work.saved(QUAY, sent, { ...QUAY, version: 2, title: 'Old quay' })).toBeFalse();
    expect(work.draft()!.title).toBe('Slip');
    expect(localStorage.getItem(KEPT_AS)).toBeNull();
  });

  it('keeps what was typed into one listing as that one’s, while the next is on its way', async () => {
    await open();
    work.open(KIND, '8');
    type('title', 'Old quay');
    await answer(makeListing({ id: 8, kindId: 1, title: 'Slip' }));
    expect(work.draft()!.title).toBe('Slip');
    expect(localStorage.getItem(KEPT_AS)).toContain('Old quay');
    expect(localStorage.getItem('plindo unsaved 1 8')).toBeNull();
  });

  it('finds unsaved work again, over what others have changed since', async () => {
    await open();
    type('title', 'Old quay');
    work.keepUnsaved();
    work.open(KIND, 'new');
    work.open(KIND, '7');
    await answer({ ...QUAY, version: 2, summary: 'By the ferry' });
    expect(work.isRecovered()).toBeTrue();
    expect(work.draft()).toEqual({ ...draftOf(QUAY), title: 'Old quay', summary: 'By the ferry' });
    work.dropUnsaved(KIND);
    expect(work.draft()).toEqual(draftOf({ ...QUAY, summary: 'By the ferry' }));
    expect(work.changed()).toBeFalse();
  });

  it('asks before it takes in what others changed where something was typed, and takes it in at once where not', async () => {
    await open();
    const change = {
      type: 'change',
      who: 'Ben',
      sentence: '',
      kinds: [1],
      listings: [7],
      structure: false,
      submissions: false,
    } as const;
    work.hear(change, () => fail('It is not gone.'));
    await answer({ ...QUAY, version: 2, title: 'Slip' });
    expect(work.draft()!.title).toBe('Slip');
    type('title', 'Old quay');
    work.hear(change, () => fail('It is not gone.'));
    await answer({ ...QUAY, version: 2, title: 'Slip' });
    expect(work.othersChange()).withContext('It is known already').toBeNull();
    work.hear(change, () => fail('It is not gone.'));
    await answer({ ...QUAY, version: 3, title: 'Ferry' });
    expect(work.othersChange()).toEqual(change);
    expect(work.draft()!.title).toBe('Old quay');
  });
});
