import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { IndexPage } from '@plindo/core/page';
import { makeCard, makeIndexPage } from '../../../../harness/models';
import { IndexPageView } from './index-page';

describe('The view of an index page', () => {
  let fixture: ComponentFixture<IndexPageView>;
  let root: HTMLElement;
  let told: { url: string; replace: boolean }[];

  const show = async (given: Partial<IndexPage> = {}): Promise<void> => {
    fixture = TestBed.createComponent(IndexPageView);
    fixture.componentRef.setInput('model', makeIndexPage(given));
    root = fixture.nativeElement as HTMLElement;
    told = [];
    fixture.componentInstance.stateChange.subscribe((state) => told.push(state));
    // The sort choice stands outside the form and belongs to it by its id, which needs a document.
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
    await show({ featured: [makeCard({ id: 9, featured: true })] });
    expect([...root.querySelectorAll('h2')].map((heading) => heading.textContent)).toEqual([
      'Filters',
      'Featured',
      'More berths',
    ]);
  });

  it('says what to do when nothing matches, and when nothing is there', async () => {
    await show({ total: 0, cards: [] });
    expect(root.querySelector('.nothing')?.textContent).toContain('Take back one of the choices above');
    fixture.componentRef.setInput('model', makeIndexPage({ total: 0, outOf: 0, cards: [] }));
    await fixture.whenStable();
    expect(root.querySelector('.nothing')?.textContent).toContain('nothing here yet');
  });

  it('holds the rest of the page still while the sheet of facets is open', async () => {
    await show();
    root.querySelector<HTMLButtonElement>('.open-sheet')!.click();
    await fixture.whenStable();
    expect(root.querySelector('.facets')?.getAttribute('role')).toBe('dialog');
    expect(root.querySelector('.results')?.hasAttribute('inert')).toBeTrue();
    root.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    await fixture.whenStable();
    expect(root.querySelector('.results')?.hasAttribute('inert')).toBeFalse();
  });
});
