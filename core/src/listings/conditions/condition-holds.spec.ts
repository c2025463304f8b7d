import { BERTH_FIELDS, contextIn } from '../../../testing/builders.js';
import type { Condition, Operator } from '../../structure/index.js';
import { conditionHolds } from './condition-holds.js';

const values = {
  type: 'quay',
  facilities: ['water', 'power'],
  services: true,
  length: { value: 40, unit: 'ft' },
  price: { minor: 1250, currency: 'EUR' },
  since: '2020-05-01',
};
const holds = (condition: Condition): boolean => conditionHolds(condition, values, BERTH_FIELDS, contextIn());
const test = (field: string, op: Operator, value?: unknown): Condition => ({ field, op, value });

describe('A condition', () => {
  it('tests a value by its type: units, money, dates and choices', () => {
    for (const [condition, wanted] of [
      [test('type', 'is', 'Quay'), true],
      [test('type', 'is-one-of', ['buoy', 'quay']), true],
      [test('type', 'is-not', 'quay'), false],
      [test('facilities', 'includes-all', ['water', 'power']), true],
      [test('facilities', 'includes-all', ['water', 'fuel']), false],
      [test('facilities', 'includes-none', ['fuel']), true],
      [test('services', 'is', 'yes'), true],
      [test('length', 'above', '12 m'), true],
      [test('length', 'at-most', '12.192'), true],
      [test('price', 'below', 12.5), false],
      [test('price', 'at-least', '12.50'), true],
      [test('price', 'between', ['12', '13']), true],
      [test('since', 'below', '2020-05-02'), true],
    ] as const) {
      expect(holds(condition)).withContext(JSON.stringify(condition)).toBe(wanted);
    }
  });

  it('of a missing value is false, “is empty” aside, and so is one of a field that is gone', () => {
    for (const op of ['is', 'is-not', 'contains', 'below', 'at-least'] as const) {
      expect(holds(test('note', op, 'x')))
        .withContext(op)
        .toBeFalse();
      expect(holds(test('gone', op, 'x')))
        .withContext(op)
        .toBeFalse();
    }
    expect(holds(test('note', 'is-empty'))).toBeTrue();
    expect(holds(test('price', 'is-not-empty'))).toBeTrue();
    expect(holds(test('price', 'below', 'dear'))).toBeFalse();
  });

  it('nests, and “none of” is the negation of “any of”', () => {
    const [yes, no] = [test('type', 'is', 'quay'), test('type', 'is', 'buoy')];
    for (const parts of [[], [yes], [no], [yes, no]]) {
      expect(holds({ join: 'none', of: parts })).toBe(!holds({ join: 'any', of: parts }));
      expect(holds({ join: 'all', of: parts })).toBe(!parts.includes(no));
    }
    expect(holds({ join: 'all', of: [yes, { join: 'none', of: [no, test('note', 'is-not-empty')] }] })).toBeTrue();
  });
});
