import { TestBed } from '@angular/core/testing';
import { CatalogApi } from '@plindo/api';
import { of, throwError } from 'rxjs';
import { Shown } from '../../../../../harness/shown';
import { PickedList } from './picked-list';

const TITLES: Readonly<Record<number, string>> = { 1: 'Quay', 2: 'Buoy', 3: 'Slip' };

describe('A list picked by hand', () => {
  let shown: Shown<PickedList>;
  let last: readonly number[] | null;

  beforeEach(async () => {
    const listing = (id: number) => (TITLES[id] ? of({ id, title: TITLES[id] }) : throwError(() => new Error('gone')));
    const find = () => of({ listings: [1, 3].map((id) => ({ id, title: TITLES[id], kindId: 1 })) });
    TestBed.configureTestingModule({ providers: [{ provide: CatalogApi, useValue: { listing, find } }] });
    shown = await Shown.of(PickedList, { picked: [2, 1, 9] });
    last = null;
    shown.component.pickedChange.subscribe((picked) => {
      last = picked;
      void shown.set({ picked });
    });
  });

  const titles = (): string[] => shown.texts('ol li span');
  const press = (name: string, key: string): void => {
    const handle = shown.all('button').find((button) => button.getAttribute('aria-label') === name)!;
    handle.dispatchEvent(new KeyboardEvent('keydown', { key }));
  };

  it('names what was picked, also what is gone since', () => {
    expect(titles()).toEqual(['Buoy', 'Quay', 'Listing 9, which is gone']);
  });

  it('is put in order with the arrow keys, up to its ends', async () => {
    press('Move Quay', 'ArrowUp');
    await shown.settled();
    expect(last).toEqual([1, 2, 9]);
    press('Move Quay', 'ArrowUp');
    press('Move Listing 9, which is gone', 'ArrowDown');
    await shown.settled();
    expect(last).toEqual([1, 2, 9]);
    expect(titles()[0]).toBe('Quay');
  });

  it('lets listings go, and takes in those that are found and not in it yet', async () => {
    await shown.press('Remove Listing 9, which is gone');
    expect(last).toEqual([2, 1]);
    const field = shown.all<HTMLInputElement>('input')[0]!;
    field.value = 'i';
    field.dispatchEvent(new Event('input'));
    await new Promise((resolve) => setTimeout(resolve, 300));
    await shown.settled();
    expect(shown.texts('.add')).toEqual(['Slip']);
    await shown.press('Slip');
    expect(last).toEqual([2, 1, 3]);
    expect(shown.texts('.add')).toEqual([]);
  });
});
