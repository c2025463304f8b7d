import { contextIn } from '../../testing/builders.js';
import type { ListOnPage } from '../../testing/list-on-page.js';
import { listOnPage } from '../../testing/list-on-page.js';
import { readCsv } from './tables/csv.js';
import type { PlannedImport } from './import-preview.js';
import { ImportPreview } from './import-preview.js';
import { dryRun } from './dry-run.js';
import { proposePlan } from './columns/propose-columns.js';

const CSV = [
  'name,type,seats',
  ...Array.from({ length: 60 }, (_, at) => `Boat ${at},${['Ketch', 'Yawl'][at % 2]},${at % 7}`),
  ',Ketch,3',
].join('\n');

describe('The preview of an import', () => {
  const context = contextIn('en-GB', 'UTC');
  const read = readCsv(CSV);
  const table = read.ok ? read.value : null!;
  const plan = proposePlan(table, context);
  const kind = { slug: 'boats', one: 'Boat', many: 'Boats', fields: plan.fields };
  const planned: PlannedImport = { plan, policy: 'refuse-row', kind };
  const site = { name: 'Boats of the bay', tagline: '', locale: 'en-GB', zone: 'UTC' };
  const preview = new ImportPreview(table, planned, site, context);

  it('is the index page of the rows that will come in, with the facets that the kind will have', async () => {
    const model = await preview.page('');
    const page = listOnPage(model);
    expect([page.total, model.title]).toEqual([
      dryRun(table, plan, 'refuse-row', context).coming,
      'Boats – Boats of the bay',
    ]);
    expect(page.facets.map(({ label }) => label)).toContain('Type');
    expect(page.cards[0]?.title).toBe('Boat 0');
  });

  const page = async (search: string): Promise<ListOnPage> => listOnPage(await preview.page(search));

  it('answers facets, search, order and pages as the site will', async () => {
    const ketches = await page('type=ketch&page=2');
    expect([ketches.total, ketches.cards.length, ketches.chips.map(({ label }) => label)]).toEqual([
      30,
      30 - (await page('type=ketch')).cards.length,
      ['Type: Ketch'],
    ]);
    expect((await page('q=boat+17')).cards[0]?.title).toBe('Boat 17');
    const none = await page('q=boat+17&type=ketch');
    expect(none.total).toBe(0);
    expect(none.empty).toEqual(
      jasmine.objectContaining({ why: 'no-match', drop: jasmine.objectContaining({ label: '“boat 17”', total: 30 }) }),
    );
  });
});
