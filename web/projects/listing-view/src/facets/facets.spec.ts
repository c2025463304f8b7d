import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { ValuesFacetModel } from '@plindo/core/page';
import { Facets } from './facets';

const facet: ValuesFacetModel = {
  control: 'ticks',
  key: 'state',
  name: 'state',
  label: 'State',
  open: true,
  join: 'any',
  shownFirst: 3,
  values: Array.from({ length: 20 }, (_, at) => ({
    value: `v${at}`,
    label: `Value ${at}`,
    count: 20 - at,
    chosen: at === 9,
    depth: 0,
    icon: '',
    colour: '',
    href: '',
  })),
};

describe('A facet of ticks', () => {
  let fixture: ComponentFixture<Facets>;
  const shown = (): string[] =>
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('li')]
      .filter((item) => !item.hidden)
      .map((item) => item.querySelector('.label')?.textContent ?? '');

  const set = async (interactive: boolean): Promise<void> => {
    fixture = TestBed.createComponent(Facets);
    fixture.componentRef.setInput('facets', [facet]);
    fixture.componentRef.setInput('form', 'find');
    fixture.componentRef.setInput('interactive', interactive);
    await fixture.whenStable();
  };

  it('shows all its values where no script can unfold them', async () => {
    await set(false);
    expect(shown().length).toBe(20);
  });

  it('shows the first and the chosen ones until it is unfolded', async () => {
    await set(true);
    expect(shown()).toEqual(['Value 0', 'Value 1', 'Value 2', 'Value 9']);
    (fixture.nativeElement as HTMLElement).querySelector<HTMLButtonElement>('.more')?.click();
    await fixture.whenStable();
    expect(shown().length).toBe(20);
  });

  it('finds values by a part of their label', async () => {
    await set(true);
    const search = (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>('.inside input')!;
    search.value = 'VALUE 12';
    search.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(shown()).toEqual(['Value 9', 'Value 12']);
  });
});
