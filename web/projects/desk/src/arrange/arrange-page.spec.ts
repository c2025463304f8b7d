import type { Kind } from '@plindo/core/structure';
import { makeFacet } from '@plindo/core/structure';
import { DeskServer } from '../../../../harness/desk';
import { kindSummary, makeIndexPage } from '../../../../harness/models';
import { Shown } from '../../../../harness/shown';
import { ArrangePage } from './arrange-page';

const PREVIEW = '/api/kinds/1/preview';
const PRICE = makeFacet({ key: 'price', label: 'Price', field: 'price', control: 'range' });
const TITLE = makeFacet({ key: 'letter', label: 'Letter', field: '@title', control: 'letters' });

describe('The page of an index page in Arrange', () => {
  let server: DeskServer;
  let shown: Shown<ArrangePage>;

  async function open(given: Partial<Kind> = {}): Promise<void> {
    shown = await Shown.of(ArrangePage, { kindId: '1' });
    await server.answer('GET', '/api/kinds', [kindSummary({ facets: [PRICE, TITLE], ...given })]);
    await server.answer('GET', PREVIEW, makeIndexPage());
    await shown.settled();
  }
  /** What was sent as the kind since the last time. */
  const saved = async (): Promise<Partial<Kind>[]> =>
    (await server.answer('PUT', '/api/kinds/1', { changeId: 7, result: null })) as Partial<Kind>[];
  const enter = (field: HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement, value: string): void => {
    field.value = value;
    field.dispatchEvent(new Event('change'));
  };
  const labelled = <Field extends HTMLElement>(text: string): Field =>
    shown
      .all('label')
      .find((label) => label.textContent?.trim().startsWith(text))!
      .querySelector<Field>('input, select')!;

  beforeEach(() => (server = new DeskServer()));

  it('shows beside the settings what a visitor will see, anew after each change', async () => {
    await open();
    expect(shown.texts('aside pl-card h3')).toEqual(['Berth 1', 'Berth 2']);
    enter(labelled('Listings a page'), '12');
    expect((await saved()).map(({ pageSize }) => pageSize)).toEqual([12]);
    await server.answer('GET', '/api/kinds', [kindSummary({ pageSize: 12 })]);
    expect((await server.answer('GET', PREVIEW, makeIndexPage({ heading: 'Anew' }))).length).toBe(1);
    await shown.settled();
    expect(shown.texts('aside h1')).toEqual(['Anew']);
  });

  it('follows what is chosen in the preview without leaving the Desk', async () => {
    await open();
    const tick = shown.all<HTMLInputElement>('aside input[name=type]')[0]!;
    tick.checked = true;
    tick.dispatchEvent(new Event('change', { bubbles: true }));
    const asked = server.waiting('GET', PREVIEW).map(({ request }) => request.params.get('search'));
    expect(asked).toEqual(['type=quay']);
  });

  it('adds facets, puts them earlier, and frees those that waited for one that is taken out', async () => {
    const waits = { ...TITLE, dependsOn: { facet: 'price', value: null } };
    await open({ facets: [PRICE, waits] });
    expect(shown.texts('pl-facet-editor summary').length).toBe(2);
    const subjects = labelled<HTMLSelectElement>('Add a facet over');
    enter(subjects, '0');
    expect((await saved())[0]?.facets?.map(({ key }) => key)).toEqual(['price', 'letter', 'price-2']);
    await shown.press('Move Letter up');
    expect((await saved())[0]?.facets?.map(({ key }) => key)).toEqual(['letter', 'price']);
    await shown.press('Remove Price');
    expect((await saved())[0]?.facets).toEqual([TITLE]);
  });

  it('reads words that mean the same, a group a line, and leaves out words that stand alone', async () => {
    await open({ synonyms: [['quay', 'pier']] });
    const field = shown.all<HTMLTextAreaElement>('textarea')[0]!;
    expect(field.value).toBe('quay, pier');
    enter(field, 'quay, pier , wharf\nalone\n\nbuoy,float');
    expect((await saved())[0]?.synonyms).toEqual([
      ['quay', 'pier', 'wharf'],
      ['buoy', 'float'],
    ]);
  });

  it('takes no page of no listings, and turns headings by date on', async () => {
    await open();
    enter(labelled('Listings a page'), '0');
    expect(await saved()).toEqual([]);
    enter(labelled('Headings by'), '@publishedAt');
    expect((await saved())[0]?.grouping?.field).toBe('@publishedAt');
    enter(labelled('Further ones come as'), 'more');
    expect((await saved())[0]?.pager).toBe('more');
  });

  it('says why a change was refused and shows the page as it is', async () => {
    await open();
    enter(labelled('Listings a page'), '500');
    server.refuse('PUT', '/api/kinds/1', { code: 'kind.page-size', message: 'At most 200 listings fit on a page.' });
    await shown.settled();
    expect(document.body.textContent).toContain('At most 200 listings fit on a page.');
    expect(server.waiting('GET', PREVIEW).length).toBe(1);
  });
});
