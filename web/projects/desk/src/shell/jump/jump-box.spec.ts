import { TestBed } from '@angular/core/testing';
import { MatDialogRef } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { DeskServer } from '../../../../../harness/desk';
import { kindSummary } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { JumpBox } from './jump-box';

const PAUSE_IN_MS = 250;
const found = (id: number, title: string, status = 'live') => ({ id, kindId: 1, title, status });

describe('The jump box', () => {
  let server: DeskServer;
  let shown: Shown<JumpBox>;
  let close: jasmine.Spy;
  let navigate: jasmine.Spy;

  beforeEach(async () => {
    close = jasmine.createSpy('close');
    server = new DeskServer('editor', [{ provide: MatDialogRef, useValue: { close } }]);
    shown = await Shown.of(JumpBox, {});
    await server.answer('GET', '/api/kinds', [kindSummary()]);
    await server.answer('GET', '/api/category-sets', []);
    await server.answer('GET', '/api/selections', []);
    navigate = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
  });

  async function type(text: string, listings: readonly object[] = [], total = listings.length): Promise<void> {
    const field = shown.all<HTMLInputElement>('input')[0]!;
    field.value = text;
    field.dispatchEvent(new Event('input'));
    await shown.settled();
    await new Promise((resolve) => setTimeout(resolve, PAUSE_IN_MS));
    await server.answer('GET', '/api/find', { total, listings });
    await shown.settled();
  }
  const press = async (key: string): Promise<void> => {
    shown.all('input')[0]!.dispatchEvent(new KeyboardEvent('keydown', { key, cancelable: true }));
    await shown.settled();
  };
  const current = (): string => shown.texts('[aria-selected=true] .label').join();

  it('finds listings with what they are and their status, among the pages', async () => {
    await type('quay', [found(4, 'Quay 4'), found(5, 'Old quay', 'draft')]);
    expect(shown.texts('.offers button .quiet')).toEqual(['Berth', 'Berth, draft']);
    await type('prob');
    expect(shown.texts('.offers .label')).toEqual(['Problems']);
  });

  it('asks for no listings while nothing is typed, and says when nothing is called so', async () => {
    await new Promise((resolve) => setTimeout(resolve, PAUSE_IN_MS));
    expect(server.waiting('GET', '/api/find')).toEqual([]);
    await type('zzz');
    expect(shown.texts('.foot')).toEqual(['Nothing has this name.']);
    await type('quay', [found(4, 'Quay 4')], 31);
    expect(shown.texts('.foot')).toEqual(['30 more listings match; type more of the title.']);
  });

  it('goes along them with the arrows, no further than they are, and there with Enter', async () => {
    await type('quay', [found(4, 'Quay 4'), found(5, 'Quay 5')]);
    const seen = [current()];
    for (const key of ['ArrowUp', 'ArrowDown', 'ArrowDown']) {
      await press(key);
      seen.push(current());
    }
    expect(seen).toEqual(['Quay 4', 'Quay 4', 'Quay 5', 'Quay 5']);
    await press('Enter');
    expect(navigate).toHaveBeenCalledWith(['/fill', 1, 5], { queryParams: {} });
    expect(close).toHaveBeenCalled();
  });

  it('begins again at the first one when something else is typed', async () => {
    await type('quay', [found(4, 'Quay 4'), found(5, 'Quay 5')]);
    await press('ArrowDown');
    await type('quay 4', [found(4, 'Quay 4')]);
    expect(current()).toBe('Quay 4');
  });

  it('leads to a field of a kind', async () => {
    await type('price');
    await press('Enter');
    expect(navigate).toHaveBeenCalledWith(['/shape', 1], { queryParams: { openField: 'price' } });
  });
});
