import type { Kind, OrderKey, SelectionDefinition } from '@plindo/core/structure';
import { makeFacet, makeSelection } from '@plindo/core/structure';
import { kindSummary } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { OrderEditor } from '../shared/order-editor';
import { OwnPageEditor } from './own-page-editor';

const PRICE = makeFacet({ key: 'price', label: 'Price', field: 'price', control: 'range' });
const kindOf = (id: number, slug: string, ...facets: Kind['facets']): Kind => ({
  ...kindSummary({ id, slug, many: slug }, [
    { key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } },
    { key: 'starts', label: 'Starts', type: 'date' },
  ]).kind,
  facets,
});
const BERTHS = kindOf(1, 'berths', PRICE);
const YARDS = kindOf(2, 'yards', PRICE, makeFacet({ key: 'lift', label: 'Lifts', field: 'lift', control: 'range' }));

describe('The page of a selection’s own', () => {
  const selection = makeSelection({ slug: 'x', name: 'X', facets: ['price'] });

  it('offers the facets of its one kind, and of several those of all, each once, and the kind itself', async () => {
    const shown = await Shown.of(OwnPageEditor, { selection, kinds: [YARDS], path: '' });
    expect(shown.texts('fieldset label')).toEqual(['Price', 'Lifts']);
    await shown.set({ kinds: [BERTHS, YARDS] });
    expect(shown.texts('fieldset label')).toEqual(['Kind', 'Price', 'Lifts']);
    expect(shown.texts('option').filter((text) => text === 'Starts').length).toBe(1);
  });

  it('keeps facets in the order in which they were ticked, and takes them out again', async () => {
    const shown = await Shown.of(OwnPageEditor, { selection, kinds: [YARDS], path: '/lists/x' });
    const told: Partial<SelectionDefinition>[] = [];
    shown.component.changed.subscribe((change) => told.push(change));
    for (const box of shown.all<HTMLInputElement>('fieldset input')) box.click();
    expect(told).toEqual([{ facets: [] }, { facets: ['price', 'lift'] }]);
    expect(shown.texts('a')).toEqual(['/lists/x']);
  });
});

describe('The editor of orders', () => {
  const featuredFirst: OrderKey = { by: '@featured', direction: 'down' };

  it('tells directions in the words of what is ordered by', async () => {
    const order: OrderKey[] = [
      featuredFirst,
      ...(['@title', 'field:price', 'field:starts', '@handOrder'] as const).map((by) => ({
        by,
        direction: 'up' as const,
      })),
    ];
    const shown = await Shown.of(OrderEditor, { order, kinds: [BERTHS] });
    const words = shown
      .all<HTMLSelectElement>('select[aria-label="Direction"]')
      .map((list) => list.selectedOptions[0]?.text.trim());
    expect(words).toEqual(['first', 'A to Z', 'lowest first', 'earliest first', 'lowest first']);
  });

  it('adds steps, puts them earlier, says where what has no value goes, and takes them out', async () => {
    const shown = await Shown.of(OrderEditor, { order: [featuredFirst], kinds: [BERTHS] });
    let last: readonly OrderKey[] = [];
    shown.component.orderChange.subscribe((order) => {
      last = order;
      void shown.set({ order });
    });
    await shown.press('Step of the order');
    await shown.choose('What it is ordered by', 'field:price', 1);
    await shown.choose('Without a value', 'first');
    await shown.press('Earlier');
    expect(last).toEqual([{ by: 'field:price', direction: 'up', missing: 'first' }, featuredFirst]);
    await shown.press('Remove this step', 1);
    expect(last.length).toBe(1);
  });
});
