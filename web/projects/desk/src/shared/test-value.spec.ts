import type { Field, FieldTypeName, Operator } from '@plindo/core/structure';
import { makeField } from '@plindo/core/structure';
import { Shown } from '../../../../harness/shown';
import { TestValue } from './test-value';

const choices = ['quay', 'buoy'].map((key) => ({ key, label: key.toUpperCase() }));
const field = (type: FieldTypeName, settings: Field['settings'] = {}): Field =>
  makeField({ key: 'x', label: 'Type', type, settings });

describe('The value of a condition', () => {
  let shown: Shown<TestValue>;
  let told: unknown[];

  async function open(of: Field, op: Operator, value?: unknown): Promise<void> {
    shown = await Shown.of(TestValue, { field: of, op, value });
    told = [];
    shown.component.valueChange.subscribe((changed) => told.push(changed));
  }
  const enter = (label: string, value: string, type = 'input'): void => {
    const control = shown.all<HTMLInputElement>(`[aria-label="${label}"]`)[0]!;
    control.value = value;
    control.dispatchEvent(new Event(type));
  };
  const valueOf = (label: string): string => shown.all<HTMLInputElement>(`[aria-label="${label}"]`)[0]!.value;

  it('is not asked for by what compares with none', async () => {
    await open(field('decimal'), 'is-empty');
    expect(shown.all('input, select').length).toBe(0);
  });

  it('is a line as it would be typed, a number of them or a text', async () => {
    await open(field('decimal'), 'at-most', 2.5);
    expect(valueOf('Value')).toBe('2.5');
    enter('Value', '3,5');
    expect(told).toEqual(['3,5']);
  });

  it('has two ends for what lies between, each kept while the other is typed', async () => {
    await open(field('decimal'), 'between', ['1', '9']);
    enter('From', '2');
    enter('To', '8');
    expect(told).toEqual([
      ['2', '9'],
      ['1', '8'],
    ]);
    await open(field('decimal'), 'between');
    enter('To', '8');
    expect(told).toEqual([['', '8']]);
  });

  it('is ticked among the choices where there may be several', async () => {
    await open(field('one-choice', { choices }), 'is-one-of', ['quay']);
    const [quay, buoy] = shown.all<HTMLInputElement>('input[type=checkbox]');
    expect(shown.texts('label')).toEqual(['QUAY', 'BUOY']);
    buoy!.click();
    quay!.click();
    expect(told).toEqual([['quay', 'buoy'], []]);
    await open(field('one-choice', { choices }), 'contains', 'qu');
    expect(valueOf('Value')).toBe('qu');
  });

  it('is a stretch of time before or after now, or the one that is now', async () => {
    await open(field('date'), 'in-next', '3 month');
    expect([valueOf('How many'), valueOf('Unit')]).toEqual(['3', 'month']);
    enter('How many', '2');
    enter('Unit', 'year', 'change');
    expect(told).toEqual(['2 month', '3 year']);
    await open(field('date'), 'in-last');
    enter('How many', '2');
    expect(told).toEqual(['2 week']);
    await open(field('date'), 'in-this', 'month');
    expect(shown.all<HTMLSelectElement>('select')[0]!.selectedOptions[0]!.text).toBe('month');
  });

  it('is yes or no, or how far from which place', async () => {
    await open(field('yes-no'), 'is', 'no');
    expect(valueOf('Value')).toBe('no');
    enter('Value', 'yes', 'change');
    expect(told).toEqual(['yes']);
    await open(field('place'), 'within', ['10 km', '']);
    enter('Name of a place', 'Haven');
    enter('How far', '5 km');
    expect(told).toEqual([
      ['10 km', 'Haven'],
      ['5 km', ''],
    ]);
  });
});
