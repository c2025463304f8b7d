import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import type { Field } from '@plindo/core/structure';
import { makeField, readContext } from '@plindo/core/structure';
import { CellEditor } from './cell-editor';

const price = makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } });

describe('The editor of a cell', () => {
  let fixture: ComponentFixture<CellEditor>;
  let told: unknown[];

  const open = async (field: Field, value: unknown): Promise<HTMLInputElement> => {
    fixture = TestBed.createComponent(CellEditor);
    fixture.componentRef.setInput('field', field);
    fixture.componentRef.setInput('value', value);
    fixture.componentRef.setInput('context', readContext({ locale: 'en-GB', zone: 'UTC', nowInMs: 0 }));
    told = [];
    fixture.componentInstance.kept.subscribe((kept) => told.push(kept));
    fixture.componentInstance.dropped.subscribe(() => told.push('dropped'));
    await fixture.whenStable();
    return (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>('input, select')!;
  };
  const press = async (element: HTMLElement, key: string, shiftKey = false): Promise<void> => {
    element.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey }));
    await fixture.whenStable();
  };

  it('keeps on Enter what the field type reads', async () => {
    const input = await open(price, { minor: 1250, currency: 'EUR' });
    expect(input.value).toBe('12.50');
    input.value = '1,300';
    await press(input, 'Enter');
    expect(told).toEqual([{ value: { minor: 130000, currency: 'EUR' }, onward: null }]);
  });

  it('says what is wrong and goes on editing', async () => {
    const input = await open(price, undefined);
    input.value = 'dear';
    await press(input, 'Enter');
    expect(told).toEqual([]);
    expect((fixture.nativeElement as HTMLElement).textContent).toContain('“dear” is not one');
    input.value = '';
    await press(input, 'Tab', true);
    expect(told).toEqual([{ value: null, onward: 'previous' }]);
  });

  it('asks for a required value, and begins with the letter that opened it', async () => {
    const input = await open({ ...price, required: true }, { minor: 1250, currency: 'EUR' });
    input.value = ' ';
    await press(input, 'Enter');
    expect(told).toEqual([]);
    expect((fixture.nativeElement as HTMLElement).textContent).toContain('Price is required');
    fixture.componentRef.setInput('typed', '7');
    await fixture.whenStable();
    expect(input.value).toBe('7');
  });

  it('drops on Escape what was typed, also when it loses the focus after that', async () => {
    const input = await open(price, undefined);
    input.value = '7';
    await press(input, 'Escape');
    input.dispatchEvent(new Event('blur'));
    expect(told).toEqual(['dropped']);
  });

  it('offers a list for choices', async () => {
    const choices = [
      { key: 'quay', label: 'Quay' },
      { key: 'buoy', label: 'Buoy' },
    ];
    const type = makeField({ key: 'type', label: 'Type', type: 'one-choice', settings: { choices } });
    const select = await open(type, 'quay');
    expect(select.value).toBe('quay');
    select.value = 'buoy';
    select.dispatchEvent(new Event('change'));
    expect(told).toEqual([{ value: 'buoy', onward: null }]);
  });
});
