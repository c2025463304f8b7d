import type { LearnedTable } from '@plindo/core/learn';
import { DeskServer } from '../../../../harness/desk';
import { kindSummary } from '../../../../harness/models';
import { Shown } from '../../../../harness/shown';
import { withWord } from './acts/learn-acts';
import { LearnedTableView } from './learned-table-view';

const TABLE: LearnedTable = {
  ...{ key: 'facets', group: 'choices', title: 'Facets that people use', says: 'How often.', empty: 'No facets yet.' },
  chart: { as: 'bars', label: 0, series: [1] },
  columns: [
    { label: 'Facet', kind: 'words' },
    { label: 'Used', kind: 'times' },
    { label: 'Share', kind: 'share' },
    { label: 'Since', kind: 'day' },
    { label: 'Waited', kind: 'days' },
  ],
  rows: Array.from({ length: 12 }, (_, at) => ({
    cells: [`Facet ${at}`, 1200 + at, 0.256, 20_787, at === 0 ? 0.5 : 3.2],
    link: { on: 'desk', path: '/arrange/1' },
    ...(at === 0 && { acts: [{ do: 'take-off-facet', kindId: 1, key: 'type', label: 'Type' }] as const }),
  })),
  total: 12,
};

describe('A table of Learn', () => {
  const open = (table: LearnedTable): Promise<Shown<LearnedTableView>> =>
    Shown.of(LearnedTableView, { table, ask: { from: '2026-11-01', to: '2026-11-30', against: 'before' } });

  it('stands under its chart, tells each sort of number in its way, and shows the rest when it is asked', async () => {
    new DeskServer('owner');
    const shown = await open(TABLE);
    expect(shown.all('canvas')).toHaveSize(1);
    expect(shown.texts('tbody tr:first-child td').slice(0, 5)).toEqual([
      ...['Facet 0', '1,200', '26 %', '30 November 2026', '12 hours'],
    ]);
    expect(shown.texts('tbody tr:nth-child(2) td')[4]).toBe('3 days');
    expect(shown.all('tbody tr')).toHaveSize(10);
    await shown.press('Show all 12');
    expect(shown.all('tbody tr')).toHaveSize(12);
  });

  it('saves all rows as a file, also of those that it has only the first of', async () => {
    const saved: Blob[] = [];
    spyOn(URL, 'createObjectURL').and.callFake((blob) => {
      saved.push(blob as Blob);
      return 'blob:none';
    });
    spyOn(HTMLAnchorElement.prototype, 'click');
    const server = new DeskServer('owner');
    const shown = await open({ ...TABLE, rows: TABLE.rows.slice(0, 11) });
    expect(shown.texts('.quiet').at(-1)).toBe('The first 11 of 12 stand here; the file has all of them.');
    await shown.press('Save as CSV: Facets that people use');
    await server.answer('GET', '/api/learn/facets', TABLE);
    await shown.settled();
    expect((await saved[0]?.text())?.split('\r\n').filter(Boolean)).toHaveSize(13);
  });

  it('says why there is nothing, without a chart', async () => {
    new DeskServer('owner');
    const shown = await open({ ...TABLE, rows: [], total: 0 });
    expect(shown.texts('.empty')).toEqual(['No facets yet.']);
    expect(shown.all('canvas')).toHaveSize(0);
  });

  it('takes a facet off for owners; editors are told whom to ask', async () => {
    const server = new DeskServer('owner');
    const shown = await open(TABLE);
    await shown.press('Take the facet off: Facet 0');
    const summary = kindSummary();
    const facet = { key: 'type', label: 'Type', field: 'type' };
    const kind = { ...summary.kind, facets: [facet, { ...facet, key: 'other' }] };
    await server.answer('GET', '/api/kinds/1', { ...summary, kind });
    const [sent] = await server.answer('PUT', '/api/kinds/1', { changeId: 4, result: kind });
    expect((sent as { facets: { key: string }[] }).facets.map(({ key }) => key)).toEqual(['other']);
  });

  it('leaves to owners what only they may do', async () => {
    new DeskServer('editor');
    const shown = await open(TABLE);
    expect(shown.texts('.acts').join(' ')).toContain('Ask an owner');
  });
});

describe('A word that was searched and not found', () => {
  it('joins the words that mean the same, or begins a group with what it means', () => {
    const kind = { ...kindSummary().kind, synonyms: [['jetty', 'pontoon']] };
    expect(withWord('quay', 'Jetty')(kind).synonyms).toEqual([['jetty', 'pontoon', 'quay']]);
    expect(withWord('gantry', 'lift')(kind).synonyms).toEqual([
      ['jetty', 'pontoon'],
      ['lift', 'gantry'],
    ]);
  });
});
