import { BERTH_FIELDS, contextIn } from '../../testing/builders.js';
import { parseBlock, planPaste } from './paste-block.js';

describe('A pasted block', () => {
  it('is read as spreadsheets write it, with quoted cells of several lines', () => {
    expect(parseBlock('a\tb\r\n"c\nd"\t\r\n')).toEqual([
      ['a', 'b'],
      ['c\nd', ''],
    ]);
  });

  it('changes the cells that fit, tells why others do not, and counts what lies beyond', () => {
    const fields = BERTH_FIELDS.filter(({ key }) => ['length', 'price'].includes(key));
    const target = { rows: ['A', 'B'], fields, titleOf: (row: string) => row, isEditable: () => true };
    const plan = planPaste(parseBlock('12\t9.50\tx\n40 ft\tdear\n1\t2'), target, contextIn());
    expect(plan.cells.map(({ row, field, value }) => [row, field.key, value])).toEqual([
      ['A', 'length', { value: 12, unit: 'm' }],
      ['A', 'price', { minor: 950, currency: 'EUR' }],
      ['B', 'length', { value: 40, unit: 'ft' }],
    ]);
    expect(plan.refused).toEqual([
      { title: 'B', label: 'Price', message: 'Price must be an amount of money, such as 12.50; “dear” is not one.' },
    ]);
    expect(plan.beyond).toBe(3);
    expect(planPaste([['1']], { ...target, isEditable: () => false }, contextIn()).refused[0]?.message).toContain(
      'cannot be changed',
    );
  });
});
