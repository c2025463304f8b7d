import type { Facet, Kind } from '@plindo/core/structure';
import { controlsFor, makeFacet, makeField } from '@plindo/core/structure';
import { kindSummary } from '../../../../harness/models';
import { Shown } from '../../../../harness/shown';
import { FacetEditor } from './facet-editor';
import { facetOver, facetSubjectsOf, subjectOf } from './facet-fields';

const link = (key: string, label: string, kindId: number) => ({
  ...{ key, label, type: 'link' as const },
  settings: { link: kindId, side: 'a' as const, linked: { kindId, many: false, hasNotes: false } },
});
const REGION = kindSummary({ id: 3, slug: 'regions' }, [{ key: 'coast', label: 'Coast', type: 'yes-no' }]).kind;
const HARBOUR = kindSummary({ id: 2, slug: 'harbours' }, [
  { key: 'depth', label: 'Depth', type: 'decimal' },
  link('region', 'Region', 3),
]).kind;
const BERTH = kindSummary({}, [
  { key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } },
  { key: 'notes', label: 'Notes', type: 'rich-text' },
  link('harbour', 'Harbour', 2),
]).kind;
const ALL: Kind[] = [BERTH, HARBOUR, REGION];

describe('What facets can be over', () => {
  const labels = (kind: Kind): string[] => facetSubjectsOf(kind, ALL).map(({ label }) => label);

  it('is every field of the kind that can be asked, then what one link reaches, then two', () => {
    expect(labels(BERTH)).toEqual([
      'Price',
      'Harbour',
      'Title',
      'Harbour → Depth',
      'Harbour → Region',
      'Harbour → Region → Coast',
    ]);
    expect(labels({ ...BERTH, parts: ['place'] })).toContain('Place');
  });

  it('gets a key of its own, which no part of an address has', () => {
    const [price] = facetSubjectsOf(BERTH, ALL);
    const facet = facetOver(price!, BERTH);
    expect([facet.key, facet.control]).toEqual(['price', 'range']);
    expect(facetOver(price!, { ...BERTH, facets: [facet] }).key).toBe('price-2');
    const page = makeField({ key: 'page', label: 'Page', type: 'yes-no' });
    expect(facetOver({ through: [], field: page, label: 'Page' }, BERTH).key).not.toBe('page');
  });

  it('is told in words, also when it is gone', () => {
    const depth = makeFacet({ key: 'depth', label: 'Depth', through: ['harbour'], field: 'depth', control: 'range' });
    expect(subjectOf(depth, BERTH, ALL).label).toBe('Harbour → Depth');
    expect(subjectOf({ ...depth, field: 'width' }, BERTH, ALL)).toEqual({
      label: 'Harbour → width (gone)',
      controls: ['range'],
    });
  });
});

describe('The editor of a facet', () => {
  const type = makeFacet({ key: 'type', label: 'Type', field: 'type' });
  const controls = controlsFor(makeField({ key: 'type', label: 'Type', type: 'one-choice' }));

  async function edit(facet: Facet): Promise<{ shown: Shown<FacetEditor>; last: () => Facet | undefined }> {
    const others = [makeFacet({ key: 'price', label: 'Price', field: 'price', control: 'range' })];
    const shown = await Shown.of(FacetEditor, { facet, subject: 'Type', controls, others });
    let told: Facet | undefined;
    shown.component.changed.subscribe((changed) => (told = changed));
    return { shown, last: () => told };
  }
  const choose = (shown: Shown<FacetEditor>, label: string, value: string): void => {
    const list = shown.all('label').find((one) => one.textContent?.trim().startsWith(label))!;
    const field = list.querySelector<HTMLInputElement | HTMLSelectElement>('select, input')!;
    field.value = value;
    field.dispatchEvent(new Event('change'));
  };

  it('offers the controls that fit, and wants any again with one that chooses a single value', async () => {
    const { shown, last } = await edit({ ...type, join: 'all' });
    expect(shown.texts('summary')).toEqual(['Type: ticks; all of what is chosen']);
    choose(shown, 'Shown as', 'drop-down');
    expect([last()?.control, last()?.join]).toEqual(['drop-down', 'any']);
  });

  it('can wait for another facet, or for one value of it', async () => {
    const { shown, last } = await edit(type);
    choose(shown, 'Shown always', 'price');
    expect(last()?.dependsOn).toEqual({ facet: 'price', value: null });
    await shown.set({ facet: last() });
    expect(shown.texts('summary')).toEqual(['Type: ticks; once Price is chosen']);
    choose(shown, 'Only for the value', 'cheap');
    expect(last()?.dependsOn).toEqual({ facet: 'price', value: 'cheap' });
  });

  it('keeps its name when it is emptied, and takes no number of values below one', async () => {
    const { shown, last } = await edit(type);
    choose(shown, 'Called', '  ');
    choose(shown, 'Before “Show all” stand', '0');
    expect(last()).toBeUndefined();
    choose(shown, 'Before “Show all” stand', '12');
    expect(last()?.shownFirst).toBe(12);
  });
});
