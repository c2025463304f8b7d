import { makeField } from '../fields/field.js';
import { readComputedFields } from './computed-fields.js';
import { parseExpression, withNameReplaced } from './expression.js';

const KNOWN = new Set(['price', 'nights', 'tariff.price', 'name', 'sum', 'm']);

/** What is wrong with an expression, or what it comes to. */
function outcome(text: string, values: Readonly<Record<string, unknown>> = {}): unknown {
  const parsed = parseExpression(text, KNOWN);
  return 'wrong' in parsed ? parsed.wrong : parsed.evaluate(new Map(Object.entries(values)));
}

describe('An expression', () => {
  it('works with numbers, texts, conditions and the subfields of rows', () => {
    expect(outcome('price * nights * 0.9', { price: 10, nights: 7 })).toBe(63);
    expect(outcome('nights >= 7 ? price * 0.9 : price', { price: 10, nights: 3 })).toBe(10);
    expect(outcome('min(tariff.price) + count(tariff.price)', { 'tariff.price': [12, 9] })).toBe(11);
    expect(outcome('concat(name, " (", "x", ")")', { name: 'Quay' })).toBe('Quay (x)');
    expect(() => outcome('concat(name, name)', { name: 'x'.repeat(5001) })).toThrowError(/over 10000 characters/);
    expect(outcome('first(nights, 1)', { nights: null })).toBe(1);
    expect(outcome('first(min(tariff.price), price * 7)', { 'tariff.price': [], price: 2 })).toBe(14);
    expect(outcome('sum(sum, m)', { sum: 2, m: 3 })).toBe(5);
  });

  it('knows which names it cannot do without', () => {
    const parsed = parseExpression('first(nights, 1) * price', KNOWN);
    if ('wrong' in parsed) return fail(parsed.wrong);
    expect([parsed.names, parsed.needs]).toEqual([['nights', 'price'], ['price']]);
  });

  it('refuses everything but its closed list, in words', () => {
    for (const [text, wrong] of [
      ['price *', 'it cannot be read'],
      ['colour + 1', 'no field with the key “colour”'],
      ['import({a: 1})', 'there is no function “import”'],
      ['evaluate("1")', 'there is no function “evaluate”'],
      ['price.constructor', 'no field with the key “price.constructor”'],
      ['name["constructor"]', 'is not allowed'],
      ['f(x) = x', 'is not allowed'],
      ['price = 4', 'is not allowed'],
      ['[1, 2]', 'is not allowed'],
      ['1; 2', 'is not allowed'],
      ['price!', 'is not allowed'],
      ['(1 + 2).constructor("return 1")', 'there is no function “constructor”'],
      ['cos(1)', 'there is no function “cos”'],
      ['1'.repeat(1001), 'over 1000 characters'],
    ] as const) {
      expect(String(outcome(text)))
        .withContext(text)
        .toContain(wrong);
    }
  });

  it('follows a field to its new key, and no other that begins alike', () => {
    expect(withNameReplaced('price * price_high + tariff.price', 'price', 'cost')).toBe(
      'cost * price_high + tariff.price',
    );
    expect(withNameReplaced('tariff.price', 'tariff', 'rates')).toBe('rates.price');
  });

  it('keeps the texts in it, and functions of the same name, when a field gets another key', () => {
    const replaced = (text: string): string => withNameReplaced(text, 'price', 'cost');
    expect(replaced('concat("price: ", price, " price")')).toBe('concat("price: ", cost, " price")');
    expect(replaced("concat('the \\' price', price)")).toBe("concat('the \\' price', cost)");
    expect(replaced('"price" == name ? price : 0')).toBe('"price" == name ? cost : 0');
    expect(withNameReplaced('sum(sum, 1)', 'sum', 'total')).toBe('sum(total, 1)');
  });
});

describe('Computed fields', () => {
  const computed = (key: string, expression: string): ReturnType<typeof makeField> =>
    makeField({ key, label: key.toUpperCase(), type: 'computed', settings: { expression } });

  it('come after those they use', () => {
    const { inOrder, reasons } = readComputedFields([
      computed('a', 'b + 1'),
      computed('b', 'c * 2'),
      computed('c', '4'),
    ]);
    expect(reasons).toEqual([]);
    expect(inOrder.map(({ field }) => field.key)).toEqual(['c', 'b', 'a']);
  });

  it('may not go round in a circle; the path is told', () => {
    const { reasons } = readComputedFields([computed('a', 'b + 1'), computed('b', 'c'), computed('c', 'a')]);
    expect(reasons).toEqual(['A goes round in a circle: A → B → C → A.']);
    expect(readComputedFields([computed('a', 'a')]).reasons[0]).toContain('A → A');
  });
});
