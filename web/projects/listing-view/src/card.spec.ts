import type { CardSketch, Design, SlotSketch } from '@plindo/core/design';
import { makeCard } from '@plindo/core/design';
import type { Listing } from '@plindo/core/listings';
import { BLANK_CONTENT } from '@plindo/core/listings';
import { CardMaker } from '@plindo/core/page';
import type { FieldSketch } from '@plindo/core/structure';
import { readContext } from '@plindo/core/structure';
import { kindSummary } from '../../../harness/models';
import { Shown } from '../../../harness/shown';
import { Card } from './card';

const FIELDS: readonly FieldSketch[] = [
  { key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } },
  { key: 'site', label: 'Web page', type: 'web-address' },
  { key: 'stars', label: 'Stars', type: 'rating' },
];
const { kind } = kindSummary({}, FIELDS);
const context = readContext({ locale: 'en-GB', zone: 'UTC', nowInMs: 1000 });
const TITLE: SlotSketch = { key: 'title', text: [{ field: '@title' }] };

/** A card of a design, with a listing. */
async function show(sketch: Partial<CardSketch>, given: Partial<Listing> = {}, search = ''): Promise<Shown<Card>> {
  const definition = makeCard({ name: 'Card', ...sketch, zones: { heading: [TITLE], ...sketch.zones } });
  const design: Design = { id: 1, version: 1, type: 'card', kindId: kind.id, position: 1, definition };
  const stamps = { address: 'one', createdAt: 1, changedAt: 1, publishedAt: 1, binnedAt: null, version: 1 };
  const listing = { id: 4, kindId: kind.id, ...stamps, ...BLANK_CONTENT, slug: 'one', title: 'One', ...given };
  const maker = new CardMaker({ context, kindById: () => kind, designs: [design] });
  const card = maker.card(listing, kind, { search });
  return Shown.of(Card, { card, forms: maker.forms });
}

describe('A card', () => {
  it('leads to its listing by its title, and shows each value with its label', async () => {
    const body: SlotSketch[] = [{ key: 'price', text: [{ field: 'price' }], label: null, icon: null }];
    const shown = await show({ zones: { body } }, { values: { price: { minor: 1200, currency: 'EUR' } } });
    expect(shown.all<HTMLAnchorElement>('h3 a').map((link) => link.getAttribute('href'))).toEqual(['/berths/one']);
    expect(shown.texts('dt, dd')).toEqual(['Price', '€12']);
    expect(shown.all('dt pl-icon').length).toBe(1);
  });

  it('leaves no label, no list and no gap where there is no value', async () => {
    const body: SlotSketch[] = [{ key: 'price', text: [{ field: 'price' }], label: null }];
    const foot: SlotSketch[] = [
      {
        key: 'go',
        text: ['Go'],
        leadsTo: 'site',
        showWhen: { join: 'all', of: [{ field: 'site', op: 'is-not-empty' }] },
      },
    ];
    const shown = await show({ zones: { body, foot } });
    expect(shown.all('dl, dt, .foot').length).toBe(0);
    expect(shown.texts('.words')).toEqual(['One']);
  });

  it('says what a value is to those who do not see where it stands', async () => {
    const body: SlotSketch[] = [{ key: 'price', text: [{ field: 'price' }], label: '' }];
    const shown = await show({ zones: { body } }, { values: { price: { minor: 1200, currency: 'EUR' } } });
    expect(shown.texts('dt.hidden-text')).toEqual(['Price']);
  });

  it('has its picture where the design says, with what stands on it', async () => {
    const topStart: SlotSketch[] = [{ key: 'new', text: ['New'] }];
    const shown = await show({ zones: { topStart }, picture: { ratio: '1:1', stands: 'start' }, surface: 'raised' });
    expect(shown.texts('.frame .corner.topStart')).toEqual(['New']);
    expect(shown.all('pl-picture.ratio-1-1').length).toBe(1);
    expect(shown.all('article.surface-raised.picture-start.leads-whole').length).toBe(1);
    const without = await show({ picture: { stands: 'none' } });
    expect(without.all('pl-picture').length).toBe(0);
  });

  it('shows values in the manner of their types, as buttons and as links', async () => {
    const foot: SlotSketch[] = [
      { key: 'stars', text: [{ field: 'stars' }], form: 'own' },
      { key: 'book', text: ['Book'], form: 'button', leadsTo: 'site' },
    ];
    const values = { stars: 3.5, site: 'https://example.org/book' };
    const shown = await show({ zones: { foot } }, { values });
    expect(shown.all('.stars pl-icon').length).toBe(5);
    const [button] = shown.all<HTMLAnchorElement>('.as-button a');
    expect([button?.textContent?.trim(), button?.getAttribute('href')]).toEqual(['Book', 'https://example.org/book']);
  });

  it('marks what a search met, and shows what somebody wrote as text, whatever it looks like', async () => {
    const shown = await show({}, { title: 'A <b>quay</b>' }, 'quay');
    expect(shown.texts('h3')).toEqual(['A <b>quay</b>']);
    expect([shown.texts('mark'), shown.all('b').length]).toEqual([['quay'], 0]);
  });
});
