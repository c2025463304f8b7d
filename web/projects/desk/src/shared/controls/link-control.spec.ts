import { TestBed } from '@angular/core/testing';
import type { LinkCandidate } from '@plindo/core/contract';
import type { LinkInput, LinkedListing } from '@plindo/core/structure';
import { DeskServer } from '../../../../../harness/desk';
import { kindSummary } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { KindsStore } from '../kinds-store';
import { LinkControl } from './link-control';

const PAUSE_IN_MS = 250;
const CANDIDATES = '/api/kinds/1/candidates';
const link = (many: boolean, hasNotes = false) => ({
  ...{ key: 'lies_in', label: 'Lies in', type: 'link' as const },
  settings: { link: 3, side: 'a' as const, linked: { kindId: 2, many, hasNotes } },
});
const linked = (id: number, title: string, note = ''): LinkedListing => {
  return { id, title, note, slug: title.toLowerCase(), href: null, onSite: true };
};
const candidate = (id: number, title: string, heldBy: LinkCandidate['heldBy'] = null): LinkCandidate => {
  return { id, title, picture: null, facts: ['Outer banks'], heldBy };
};

describe('The control of a link', () => {
  let server: DeskServer;
  let shown: Shown<LinkControl>;
  let last: readonly LinkInput[] | undefined;

  async function open(input: readonly LinkedListing[], many = true, hasNotes = false): Promise<void> {
    const kind = kindSummary({}, [link(many, hasNotes)]);
    TestBed.inject(KindsStore).kinds.set([
      kind,
      kindSummary({ id: 2, slug: 'harbours', one: 'Harbour', many: 'Harbours' }),
    ]);
    shown = await Shown.of(LinkControl, { label: 'Lies in', field: kind.kind.fields[0], input });
    last = undefined;
    shown.component.inputChange.subscribe((changed) => {
      last = changed;
      void shown.set({ input: changed });
    });
  }
  async function find(text: string, ...found: LinkCandidate[]): Promise<void> {
    const field = shown.all<HTMLInputElement>('.find')[0]!;
    field.value = text;
    field.dispatchEvent(new Event('input'));
    await new Promise((resolve) => setTimeout(resolve, PAUSE_IN_MS));
    await server.answer('GET', CANDIDATES, found);
    await shown.settled();
  }
  const ids = (): number[] => (last ?? []).map(({ id }) => id);

  beforeEach(() => (server = new DeskServer('editor')));

  it('offers what fits and is not linked yet, with where it is now', async () => {
    await open([linked(4, 'Haven')]);
    await find('ha', candidate(4, 'Haven'), candidate(5, 'Harbour end', { id: 9, title: 'Quay' }));
    expect(shown.texts('.offers button:not(.make)')).toEqual([
      jasmine.stringContaining('now at Quay; it will be moved'),
    ]);
    shown.all('.offers button')[0]!.click();
    await shown.settled();
    expect(ids()).toEqual([4, 5]);
    expect(document.body.textContent).toContain('Harbour end will be moved here from Quay when you save.');
    expect(shown.texts('.title')).toEqual(['Haven', 'Harbour end']);
  });

  it('of which there is one alone takes another in its place, and has no order', async () => {
    await open([linked(4, 'Haven')], false);
    expect(shown.all('[aria-label^=Move]').length).toBe(0);
    await find('qu', candidate(5, 'Quay'));
    shown.all('.offers button')[0]!.click();
    await shown.settled();
    expect(ids()).toEqual([5]);
  });

  it('puts them in order, notes what is said of each, and takes them out', async () => {
    await open([linked(4, 'Haven'), linked(5, 'Quay'), linked(6, 'Slip')], true, true);
    await shown.press('Move Slip up');
    expect(ids()).toEqual([4, 6, 5]);
    const note = shown.all<HTMLInputElement>('[aria-label="Note on Quay"]')[0]!;
    note.value = 'Outside';
    note.dispatchEvent(new Event('input'));
    await shown.settled();
    expect(last?.map((one) => one.note)).toEqual(['', '', 'Outside']);
    await shown.press('Unlink Haven');
    expect(ids()).toEqual([6, 5]);
  });

  it('adds a listing that is missing to the other kind, and links it', async () => {
    await open([]);
    await find('Newhaven');
    expect(shown.texts('.offers p')).toEqual(['Nothing has this name.']);
    shown.all('.make')[0]!.click();
    const result = { id: 8, title: 'Newhaven' };
    expect(await server.answer('POST', '/api/kinds/2/listings', { changeId: 1, result })).toEqual([
      { title: 'Newhaven' },
    ]);
    await shown.settled();
    expect(ids()).toEqual([8]);
  });
});
