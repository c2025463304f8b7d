import type { DistanceFacetModel, RangeFacetModel, ValuesFacetModel } from '@plindo/core/page';
import { Shown } from '../../../../harness/shown';
import { Marked } from '../marked';
import { DistanceFacet } from './distance-facet';
import { RangeFacet } from './range-facet';
import { ValuesFacet } from './values-facet';

describe('A tree of categories', () => {
  const value = (key: string, depth: number, chosen = false): ValuesFacetModel['values'][number] => ({
    value: key,
    label: key,
    count: 1,
    chosen,
    depth,
    icon: '',
    colour: '',
    href: '',
  });
  const tree = (chosen: string): ValuesFacetModel => ({
    control: 'tree',
    key: 'services',
    name: 'services',
    label: 'Services',
    open: true,
    join: 'any',
    shownFirst: 8,
    values: [value('hull', 0), value('paint', 1, chosen === 'paint'), value('rig', 0), value('mast', 1)],
  });
  const shown = (fixture: Shown<unknown>): string[] =>
    [...fixture.element.querySelectorAll('li')]
      .filter((item) => !item.hidden)
      .map((item) => item.querySelector('.label')?.textContent ?? '');

  it('shows its top, and opens a branch by its button or when something in it is chosen', async () => {
    const fixture = await Shown.of(ValuesFacet, { form: 'find', facet: tree(''), interactive: true });
    expect(shown(fixture)).toEqual(['hull', 'rig']);
    fixture.element.querySelectorAll<HTMLButtonElement>('.branch')[1]!.click();
    await fixture.settled();
    expect(shown(fixture)).toEqual(['hull', 'rig', 'mast']);
    const opened = await Shown.of(ValuesFacet, { form: 'find', facet: tree('paint'), interactive: true });
    expect(shown(opened)).toEqual(['hull', 'paint', 'rig']);
  });

  it('shows everything where no script can open it', async () => {
    expect(shown(await Shown.of(ValuesFacet, { form: 'find', facet: tree('') })).length).toBe(4);
  });
});

describe('A range with handles', () => {
  const facet: RangeFacetModel = {
    control: 'range',
    key: 'price',
    name: 'price',
    label: 'Price',
    open: true,
    inputType: 'number',
    unit: 'EUR',
    bounds: { from: '0', to: '200', sentence: '€0 to €200' },
    from: '',
    to: '120',
    histogram: [1, 2, 3, 4],
  };

  it('types what a handle chooses, keeps the ends apart, and an end at the outside is open', async () => {
    const fixture = await Shown.of(RangeFacet, { form: 'find', facet, interactive: true });
    const [low, high] = [...fixture.element.querySelectorAll<HTMLInputElement>('input[type=range]')];
    const typed = (name: string): string => fixture.element.querySelector<HTMLInputElement>(`[name=${name}]`)!.value;
    const slide = (handle: HTMLInputElement, place: number): void => {
      handle.value = String(place);
      handle.dispatchEvent(new Event('input'));
    };
    expect(high!.value).toBe('60');
    slide(low!, 25);
    expect(typed('price-from')).toBe('50');
    slide(low!, 90);
    expect(typed('price-from')).toBe('120');
    slide(high!, 100);
    expect(typed('price-to')).toBe('');
  });

  it('tells a row of key presses as one change, and stays where it was moved while an earlier place is answered', async () => {
    jasmine.clock().install();
    const fixture = await Shown.of(RangeFacet, { form: 'find', facet: { ...facet, to: '' }, interactive: true });
    const low = fixture.all<HTMLInputElement>('input[type=range]')[0]!;
    const from = fixture.all<HTMLInputElement>('[name=price-from]')[0]!;
    const told: string[] = [];
    from.addEventListener('change', () => told.push(from.value));
    const press = async (): Promise<void> => {
      low.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight' }));
      low.value = String(Number(low.value) + 1);
      for (const type of ['input', 'change']) low.dispatchEvent(new Event(type));
      await fixture.settled();
    };
    for (let step = 0; step < 5; step++) await press();
    expect(told).toEqual([]);
    jasmine.clock().tick(300);
    expect(told).toEqual(['10']);
    await press();
    await fixture.set({ facet: { ...facet, from: '10', to: '' } });
    expect([low.value, from.value]).toEqual(['6', '12']);
    await press();
    jasmine.clock().tick(300);
    expect(told).toEqual(['10', '14']);
    await fixture.set({ facet: { ...facet, from: '', to: '' } });
    expect([low.value, from.value]).toEqual(['0', '']);
    jasmine.clock().uninstall();
  });
});

describe('A distance', () => {
  const facet: DistanceFacetModel = {
    control: 'distance',
    key: 'near',
    name: 'near',
    label: 'Distance',
    open: true,
    at: 'atlantis',
    title: '',
    isUnknown: true,
    unit: 'km',
    within: '',
    steps: [],
  };

  it('says when a place is not known, and when the position cannot be told', async () => {
    const fixture = await Shown.of(DistanceFacet, { form: 'find', facet, interactive: true });
    expect(fixture.element.textContent).toContain('No place here is called “atlantis”.');
    spyOn(navigator.geolocation, 'getCurrentPosition').and.callFake((_, refused) => {
      refused?.({ code: 1 } as GeolocationPositionError);
    });
    fixture.element.querySelector<HTMLButtonElement>('.here')!.click();
    await fixture.settled();
    expect(fixture.element.textContent).toContain('Your position could not be told');
  });
});

describe('A marked text', () => {
  it('is the same text, with what was met marked', async () => {
    const fixture = await Shown.of(Marked, { text: 'Muni-Kate Craddock', marks: [[0, 4]] });
    expect(fixture.element.textContent).toBe('Muni-Kate Craddock');
    expect(fixture.element.querySelector('mark')?.textContent).toBe('Muni');
  });
});
