import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { SelectionPreview } from '@plindo/core/contract';
import type { Selection, SelectionDefinition } from '@plindo/core/structure';
import { makeSelection } from '@plindo/core/structure';
import { DeskServer } from '../../../../../harness/desk';
import { CARD_FORMS, kindSummary, makeCard } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { SelectionPage } from './selection-page';

const PAUSE_IN_MS = 250;
const PREVIEW = '/api/selections/preview';
const KINDS = [kindSummary(), kindSummary({ id: 2, slug: 'yards', one: 'Yard', many: 'Yards' })];
const KEPT: Selection = { ...makeSelection({ slug: 'cheap', name: 'Cheap ones', kinds: [1] }), id: 5, version: 3 };
const GIVEN: SelectionPreview = {
  ...{ total: 18, found: 40, ms: 0.4, cards: [makeCard({ id: 1 }), makeCard({ id: 2 })], cardForms: CARD_FORMS },
  ...{ kinds: [1], issues: [], removed: [] },
};

describe('The page of a selection', () => {
  let server: DeskServer;
  let shown: Shown<SelectionPage>;

  async function open(selectionId: string, selection = KEPT): Promise<void> {
    shown = await Shown.of(SelectionPage, { selectionId });
    await answered('GET', '/api/kinds', KINDS);
    await answered('GET', '/api/selections', [{ selection, usedOn: [], issues: [] }]);
  }
  async function answered(method: string, url: string, body: object): Promise<unknown[]> {
    const sent = await server.answer(method, url, body);
    await shown.settled();
    return sent;
  }
  /** What the last preview was asked for, once it is answered. */
  async function previewed(preview: Partial<SelectionPreview> = {}): Promise<SelectionDefinition | undefined> {
    await new Promise((resolve) => setTimeout(resolve, PAUSE_IN_MS));
    const asked = await answered('POST', PREVIEW, { ...GIVEN, ...preview });
    return (asked.at(-1) as { selection: SelectionDefinition } | undefined)?.selection;
  }
  const field = (label: string): HTMLInputElement =>
    shown
      .all('label, mat-form-field')
      .find((one) => one.textContent?.trim().startsWith(label))!
      .querySelector('input')!;
  const enter = (label: string, value: string, type = 'change'): void => {
    field(label).value = value;
    field(label).dispatchEvent(new Event(type));
  };

  beforeEach(() => (server = new DeskServer()));

  it('shows beside the sentence what it gives, of how many, and how long that took', async () => {
    await open('5');
    expect((await previewed())?.name).toBe('Cheap ones');
    expect(shown.texts('aside .count')).toEqual(['18 listings of 40 that fit in under 1 ms']);
    expect(shown.texts('aside .cards h3')).toEqual(['Berth 1', 'Berth 2']);
  });

  it('asks once when typing pauses, and for the last state alone', async () => {
    await open('5');
    await previewed();
    for (const name of ['C', 'Ch', 'Cheapest']) enter('Name', name, 'input');
    enter('skip', '2');
    enter('at most', '18');
    enter('a page', '6');
    await new Promise((resolve) => setTimeout(resolve, PAUSE_IN_MS));
    const asked = await answered('POST', PREVIEW, GIVEN);
    expect(asked.length).toBe(1);
    const { selection } = asked[0] as { selection: SelectionDefinition };
    const { name, skip, most, pageSize } = selection;
    expect({ name, skip, most, pageSize }).toEqual({ name: 'Cheapest', skip: 2, most: 18, pageSize: 6 });
  });

  it('takes out the facets that its kinds no longer offer', async () => {
    const [berths] = KINDS;
    const facets = [...(berths?.kind.facets ?? [])].map(({ key }) => key);
    await open('5', { ...KEPT, kinds: [1, 2], facets: [...facets, 'kind'] });
    shown.all<HTMLInputElement>('.kinds input')[1]!.click();
    await shown.settled();
    const asked = await previewed();
    expect([asked?.kinds, asked?.facets]).toEqual([[1], facets]);
  });

  it('can be picked by hand instead', async () => {
    await open('5');
    shown.all<HTMLInputElement>('input[type=radio]')[1]!.click();
    await shown.settled();
    expect(shown.all('pl-picked-list').length).toBe(1);
    expect(shown.all('pl-condition-editor').length).toBe(0);
    expect((await previewed())?.picked).toEqual([]);
  });

  it('says above and beside each condition why it was refused, and loses nothing', async () => {
    const where: Selection['where'] = { join: 'all', of: [{ field: 'gone', op: 'is', value: '1' }] };
    await open('5', { ...KEPT, where });
    await previewed({ issues: [{ code: 'selection.condition', message: 'Condition 1: there is no field gone.' }] });
    expect(shown.texts('aside .problem')).toEqual(['Condition 1: there is no field gone.']);
    await shown.press('Save');
    const issue = { code: 'selection.condition', message: 'Condition 1: there is no field gone.' };
    server.refuse('PUT', '/api/selections/5', issue);
    await shown.settled();
    expect(shown.texts('.issues li')).toEqual([issue.message]);
    expect(shown.texts('pl-condition-editor .problem')).toEqual(['there is no field gone.']);
    expect(field('Name').value).toBe('Cheap ones');
  });

  it('is saved with the version that was read, and a new one goes on under its number', async () => {
    await open('5');
    enter('Name', 'Cheapest', 'input');
    await shown.press('Save');
    const [sent] = await answered('PUT', '/api/selections/5', { changeId: 9, result: { ...KEPT, version: 4 } });
    expect(sent).toEqual(jasmine.objectContaining({ name: 'Cheapest', version: 3 }));
    const go = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await open('new');
    expect(shown.texts('h1')).toEqual(['New selection']);
    await shown.press('Save');
    await answered('POST', '/api/selections', { changeId: 10, result: { ...KEPT, id: 6 } });
    expect(go).toHaveBeenCalledWith(['/arrange/selections', 6], { replaceUrl: true });
  });

  it('can be read, but not saved or deleted, by who is no owner', async () => {
    TestBed.resetTestingModule();
    server = new DeskServer('editor');
    await open('5');
    const acts = shown.all<HTMLButtonElement>('.acts button').map(({ disabled }) => disabled);
    expect(acts).toEqual([true, true]);
  });
});
