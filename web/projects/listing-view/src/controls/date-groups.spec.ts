import type { DateGroupModel } from '@plindo/core/page';
import { CARD_FORMS, makeCard } from '../../../../harness/models';
import { Shown } from '../../../../harness/shown';
import { DateGroups } from './date-groups';

const group = (key: string, given: Partial<DateGroupModel> = {}): DateGroupModel => ({
  ...{ key, label: `Month ${key}`, count: 1, isPast: false, isContinued: false, goesOn: false },
  cards: [makeCard({ id: Number(key) })],
  ...given,
});

describe('Cards under headings by date', () => {
  it('have the count of the whole result, and say when a group began before and when it goes on', async () => {
    const groups = [group('1', { isContinued: true, count: 30 }), group('2', { goesOn: true, count: 2 })];
    const shown = await Shown.of(DateGroups, { groups, forms: CARD_FORMS });
    expect(shown.texts('h2')).toEqual(['Month 1 30 listings continued', 'Month 2 2 listings']);
    expect(shown.texts('.goes-on')).toEqual(['Month 2 goes on, on the next page']);
    expect(shown.all('#group-2').length).toBe(1);
  });

  it('fold what is over, counted, and open it where there is nothing else', async () => {
    const past = [group('1', { isPast: true, count: 4 }), group('2', { isPast: true, count: 3 })];
    const shown = await Shown.of(DateGroups, { groups: [...past, group('3')], forms: CARD_FORMS });
    const fold = (): HTMLDetailsElement => shown.all<HTMLDetailsElement>('details')[0]!;
    expect(shown.texts('summary')).toEqual(['What is over 7']);
    expect([fold().open, fold().querySelectorAll('section').length]).toEqual([false, 2]);
    await shown.set({ groups: past });
    expect(fold().open).toBeTrue();
  });

  it('can have a heading with nothing under it', async () => {
    const shown = await Shown.of(DateGroups, {
      groups: [group('1', { count: 0, cards: [] })],

      forms: CARD_FORMS,
    });
    expect(shown.texts('.none')).toEqual(['Nothing here']);
  });
});
