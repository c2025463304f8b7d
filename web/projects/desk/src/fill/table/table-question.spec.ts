import { FIRST_ASK } from '@plindo/api';
import type { TableAsk } from '@plindo/core/contract';
import { kindSummary } from '../../../../../harness/models';
import { columnsOf } from './table-columns';
import { TableQuestion } from './table-question';

const [handOrder, price] = columnsOf(kindSummary().kind, 'UTC');

describe('What is asked of the table', () => {
  let asked: TableAsk[];
  let question: TableQuestion;

  beforeEach(() => {
    asked = [];
    question = new TableQuestion((ask) => asked.push(ask));
  });

  it('begins with what an address names, and with nothing where it names something else', () => {
    const filters = [{ by: 'field:price', op: 'is-empty' }];
    expect(question.begin(JSON.stringify(filters)).filters).toEqual(filters as never);
    for (const wrong of ['{', '{}', '[{"by":"title"}]', undefined]) {
      expect(question.begin(wrong)).withContext(String(wrong)).toEqual(FIRST_ASK);
    }
    expect(asked).toEqual([]);
  });

  it('is sorted one way and then the other, and by hand only upward', () => {
    question.sortBy('@handOrder');
    expect([question.isHandOrder(), question.ariaSort('@handOrder')]).toEqual([true, 'ascending']);
    question.sortBy('@handOrder');
    expect([question.isHandOrder(), question.ariaSort('@handOrder')]).toEqual([false, 'descending']);
    expect(question.ariaSort('@title')).toBeNull();
    question.sortBy(null);
    expect(asked.length).toBe(2);
  });

  it('has one filter a column, and keeps the others when one is taken off', () => {
    question.setFilter(price!, { by: 'field:price', op: 'at-most', value: '40' });
    question.setFilter(handOrder!, { by: '@handOrder', op: 'is-not-empty' });
    question.setFilter(price!, { by: 'field:price', op: 'is-empty' });
    expect(question.ask().filters.map(({ op }) => op)).toEqual(['is-not-empty', 'is-empty']);
    question.takeOff(question.filterOf(handOrder!)!);
    expect([question.filterOf(handOrder!), question.filterOf(price!)?.op]).toEqual([null, 'is-empty']);
    question.setFilter(price!, null);
    expect(asked.at(-1)).toEqual(FIRST_ASK);
  });

  it('waits for a pause while words are typed', async () => {
    jasmine.clock().install();
    question.find('k');
    question.find('ke ');
    jasmine.clock().tick(250);
    jasmine.clock().uninstall();
    expect(asked.map(({ text }) => text)).toEqual(['ke']);
  });
});
