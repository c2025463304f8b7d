import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { AreaModel, EmptyModel } from '@plindo/core/page';
import { SiteWords } from '@plindo/core/values';
import type { ListSketch } from '../../../../harness/models';
import { makeCard, makeIndexPage } from '../../../../harness/models';
import { DesignedPageView } from './designed-page';

describe('A page with a list that visitors steer', () => {
  let fixture: ComponentFixture<DesignedPageView>;
  let root: HTMLElement;
  let told: { url: string; replace: boolean }[];

  const show = async (given: Partial<ListSketch> = {}): Promise<void> => {
    fixture = TestBed.createComponent(DesignedPageView);
    fixture.componentRef.setInput('model', makeIndexPage(given));
    root = fixture.nativeElement as HTMLElement;
    told = [];
    fixture.componentInstance.stateChange.subscribe((state) => told.push(state));
    // Controls belong to their form by its id, which needs a document.
    document.body.append(root);
    await fixture.whenStable();
  };
  const input = (name: string): HTMLInputElement => root.querySelector<HTMLInputElement>(`[name="${name}"]`)!;
  const change = (element: HTMLElement): boolean => element.dispatchEvent(new Event('change', { bubbles: true }));

  afterEach(() => root.remove());

  it('tells the address of each choice at once, in its readable form', async () => {
    await show();
    input('type').checked = true;
    change(input('type'));
    input('price-to').value = '40';
    change(input('price-to'));
    const sort = root.querySelector<HTMLSelectElement>('select[name=sort]')!;
    sort.value = 'title';
    change(sort);
    expect(told.map(({ url }) => url)).toEqual([
      '/berths?type=quay',
      '/berths?type=quay&price=..40',
      '/berths?type=quay&price=..40&sort=title',
    ]);
  });

  it('waits for a pause in typing, and then puts the new state in place of the old', async () => {
    jasmine.clock().install();
    await show();
    for (const text of ['q', 'qu', 'quay']) {
      input('q').value = text;
      input('q').dispatchEvent(new Event('input', { bubbles: true }));
      jasmine.clock().tick(100);
    }
    expect(told).toEqual([]);
    jasmine.clock().tick(200);
    expect(told).toEqual([{ url: '/berths?q=quay', replace: true }]);
    jasmine.clock().uninstall();
  });

  it('puts featured listings in a strip of their own', async () => {
    await show({ state: { featured: [makeCard({ id: 9, featured: true })], rest: 'More berths' } });
    expect([...root.querySelectorAll('h2')].map((heading) => heading.textContent)).toEqual([
      'Filters',
      'Featured',
      'More berths',
    ]);
  });

  it('says what to do when nothing matches, when nothing is there, and on a page after the last', async () => {
    const said = async (empty: EmptyModel): Promise<string> => {
      fixture.componentRef.setInput('model', makeIndexPage({ cards: [], state: { empty } }));
      await fixture.whenStable();
      const lines = [...root.querySelectorAll('pl-list-empty p')].map((line) => line.textContent ?? '');
      return lines.map((line) => line.replace(/\s+/g, ' ').trim()).join(' ');
    };
    await show();
    const drop = { label: 'Type', href: '/berths', total: 1 };
    expect(await said({ why: 'no-match', drop, clearHref: '/berths' })).toBe(
      'Nothing matches all of that. Without Type there is 1 Take back one of your choices, or clear them all. Clear all choices',
    );
    expect(await said({ why: 'nothing-yet' })).toBe('There is nothing here yet.');
    expect(await said({ why: 'past-end', lastHref: '/berths?page=2' })).toBe(
      'There are not that many pages. Go to the last one',
    );
  });

  it('says what its site says, in the language of that', async () => {
    const { sent } = new SiteWords('de-DE', { 'sort.label': 'Ordnung' });
    fixture = TestBed.createComponent(DesignedPageView);
    fixture.componentRef.setInput('model', { ...makeIndexPage(), words: sent });
    root = fixture.nativeElement as HTMLElement;
    await fixture.whenStable();
    const said = [...root.querySelectorAll('pl-sort-piece span, pl-facets-piece button')];
    expect(said.map((one) => (one.textContent ?? '').trim())).toContain('Ordnung');
    expect(said.map((one) => (one.textContent ?? '').trim()).join(' ')).toMatch(/Filter.* Schließen/);
  });

  it('keeps what the address says of other lists, and says of each control which list it steers', async () => {
    const yards: AreaModel = {
      ...{ key: 'yards', form: 'find-yards', path: '/both', others: [['type', 'quay']] },
      sort: { name: 'yards.sort', byItself: 'picked' },
    };
    await show({ areas: [yards] });
    const tick = input('price-to');
    tick.value = '40';
    change(tick);
    expect(told.map(({ url }) => url)).toEqual(['/both?type=quay&price=..40&sort=picked']);
    const strange = document.createElement('input');
    root.append(strange);
    change(strange);
    expect(told.length).toBe(1);
  });

  it('holds the rest of the page still while the sheet of facets is open', async () => {
    await show();
    root.querySelector<HTMLButtonElement>('.open-sheet')!.click();
    await fixture.whenStable();
    expect(root.querySelector('.facets')?.getAttribute('role')).toBe('dialog');
    const [side, results] = [...root.querySelectorAll('.column')];
    expect([side, results].map((column) => column?.hasAttribute('inert'))).toEqual([false, true]);
    const escape = new KeyboardEvent('keydown', { key: 'Escape', bubbles: true });
    root.querySelector('.facets')!.dispatchEvent(escape);
    await fixture.whenStable();
    expect(results?.hasAttribute('inert')).toBeFalse();
    expect(document.activeElement?.className).toBe('open-sheet');
  });
});
