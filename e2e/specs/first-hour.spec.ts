import { utils, write } from '@e965/xlsx';
import { DemoDesk } from '../harness/demo-desk.js';
import type { Desk } from '../harness/desk.js';

/** A place as its owner knows it; the files below are written from these, and the site is compared with them. */
interface Spa {
  readonly name: string;
  readonly type: string;
  readonly guests: number;
  /** In cents. */
  readonly price: number;
  readonly opened: string;
  readonly dogs: boolean;
  readonly latitude: number;
  readonly longitude: number;
}

const SPAS: readonly Spa[] = Array.from({ length: 240 }, (_, at) => ({
  name: `Spa number ${at + 1}`,
  type: ['Thermal', 'Thermal', 'Mud', 'Sea', 'Thermal', 'Mud'][(at * 7) % 6]!,
  guests: 1000 + ((at * 137) % 9000),
  price: 300 + ((at * 53) % 2000),
  opened: `${1990 + ((at * 11) % 35)}-${String(1 + (at % 12)).padStart(2, '0')}-${String(1 + (at % 28)).padStart(2, '0')}`,
  dogs: at % 4 === 0,
  latitude: 47 + ((at * 31) % 7000) / 1000,
  longitude: 8 + ((at * 17) % 6000) / 1000,
}));

const comma = (number: number, decimals: number): string => number.toFixed(decimals).replace('.', ',');

/** As a German program writes them: semicolons, UTF-16, dots for thousands and commas for decimals. */
function germanFile(): Buffer {
  const rows = SPAS.map((spa) => {
    const [year, month, day] = spa.opened.split('-');
    const guests = `${Math.floor(spa.guests / 1000)}.${String(spa.guests % 1000).padStart(3, '0')}`;
    const places = [comma(spa.latitude, 8), comma(spa.longitude, 8)];
    const others = [`${comma(spa.price / 100, 2)} €`, `${day}.${month}.${year}`, spa.dogs ? 'ja' : 'nein', ...places];
    return [spa.name, spa.type, guests, ...others].join(';');
  });
  const text = ['Name;Art;Gäste;Preis;Eröffnet;Hunde;Lat;Lng', ...rows].join('\r\n');
  return Buffer.from(`\ufeff${text}`, 'utf16le');
}

/** As a workbook with numbers, dates and formats of its own, below a title. */
function workbook(): Buffer {
  const rows = SPAS.map((spa) => [
    ...[spa.name, spa.type, spa.guests, spa.price / 100, new Date(`${spa.opened}T00:00Z`)],
    ...[spa.dogs, spa.latitude, spa.longitude],
  ]);
  const header = ['Name', 'Art', 'Gäste', 'Preis', 'Eröffnet', 'Hunde', 'Lat', 'Lng'];
  const sheet = utils.aoa_to_sheet([['All spas'], [], header, ...rows], { UTC: true });
  for (let row = 3; row < rows.length + 3; row++) {
    for (const [column, z] of [
      [3, '#,##0.00 [$€-407]'],
      [4, 'yyyy-mm-dd'],
    ] as const) {
      (sheet[utils.encode_cell({ r: row, c: column })] as { z: string }).z = z;
    }
  }
  const book = utils.book_new();
  utils.book_append_sheet(book, utils.aoa_to_sheet([['Notes'], ['Made for a test']]), 'Read me');
  utils.book_append_sheet(book, sheet, 'Spas');
  return write(book, { type: 'buffer', bookType: 'xlsx' }) as Buffer;
}

/** As features of a map (RFC 7946). */
function geoJson(): Buffer {
  const features = SPAS.map(({ latitude, longitude, name, type, guests, price, opened, dogs }) => ({
    type: 'Feature',
    geometry: { type: 'Point', coordinates: [longitude, latitude] },
    properties: {
      Name: name,
      Art: type,
      Gäste: guests,
      Preis: `${(price / 100).toFixed(2)} €`,
      Eröffnet: opened,
      Hunde: dogs,
    },
  }));
  return Buffer.from(JSON.stringify({ type: 'FeatureCollection', features }));
}

const count = (holds: (spa: Spa) => boolean): number => SPAS.filter(holds).length;

describe('The first hour', () => {
  let empty: DemoDesk;
  let page: DemoDesk['page'];
  let desk: Desk;
  const address = (path: string): string => `${empty.server.address}${path}`;

  beforeAll(async () => {
    empty = await DemoDesk.empty();
    ({ page, desk } = empty);
  }, 60_000);
  afterAll(() => empty.close());

  const proposed = (): Promise<(string | undefined)[]> =>
    page
      .locator('pl-column-table tbody tr select')
      .evaluateAll((all) => all.map((one) => (one as HTMLSelectElement).selectedOptions[0]?.label));

  const files = [
    { name: 'spas.csv', kind: 'Spa', slug: 'spas', buffer: germanFile() },
    { name: 'spas.xlsx', kind: 'Bath', slug: 'baths', buffer: workbook() },
    { name: 'spas.geojson', kind: 'Spring', slug: 'springs', buffer: geoJson() },
  ];
  for (const { name, kind, slug, buffer } of files) {
    it(`brings ${name} in right at the first proposal, and the site counts as its owner does`, async () => {
      await desk.chooseFile({ name, mimeType: '', buffer });
      await page.getByRole('heading', { name: 'What one row is' }).waitFor();
      const places = ['Latitude of a place', 'Longitude of a place'];
      expect((await proposed()).slice(0, 6)).toEqual([
        'Title',
        'One choice',
        'Whole number',
        'Money',
        'Date',
        'Yes/no',
      ]);
      expect((await proposed()).slice(6)).toEqual(places);
      if (name.endsWith('.csv')) {
        await page.getByText('Written the way it is done in Germany: 1.234,5 and 31.12.2024').waitFor();
      }
      await desk.nameKind(kind);
      await page.getByText('240 of 240 rows will come in.').waitFor();
      await desk.bringIn();
      await page.getByRole('link', { name: 'Arrange and publish' }).click();
      await page.getByRole('button', { name: /^Publish / }).click();
      await page.getByText(/ are published/).waitFor();

      const totalOf = async (search: string): Promise<number> => {
        await page.goto(address(`/${slug}${search}`));
        return Number(/^[\d,]+/.exec(await page.getByRole('status').innerText())?.[0].replace(',', ''));
      };
      expect(await totalOf('')).toBe(240);
      const ticks = await page
        .getByRole('group', { name: 'Art', exact: true })
        .locator('li')
        .evaluateAll((all) => all.map((one) => one.textContent!.replace(/\s+/g, ' ').trim()));
      for (const type of ['Thermal', 'Mud', 'Sea']) {
        const own = count((spa) => spa.type === type);
        expect(ticks.some((tick) => tick.startsWith(`${type}${own} `)))
          .withContext(ticks.join())
          .toBeTrue();
      }
      expect(await totalOf('?gaste=2000..4000')).toBe(count(({ guests }) => guests >= 2000 && guests <= 4000));
      expect(await totalOf('?preis=5..9.5')).toBe(count(({ price }) => price >= 500 && price <= 950));
      expect(await totalOf('?eroffnet=2004')).toBe(count(({ opened }) => opened.startsWith('2004')));
      expect(await totalOf('?hunde=yes')).toBe(count(({ dogs }) => dogs));
      const years = await page.getByRole('group', { name: 'Eröffnet' }).locator('ul').first().innerText();
      expect(years).toContain('2004');
      const [, listing] = SPAS;
      await page.goto(address(`/${slug}/spa-number-2`));
      const shown = await page.locator('main').innerText();
      expect(shown).toContain(listing!.guests.toLocaleString('en-GB'));
      expect(shown).toContain(`€${(listing!.price / 100).toFixed(2)}`);
    }, 90_000);
  }

  it('takes cells that are pasted, and shows both ways where nothing tells how they are meant', async () => {
    await page.goto(address('/desk/shape/from-file'));
    await page.getByText('paste cells from a spreadsheet').waitFor();
    const cells = ['Name\tVisitors', ...SPAS.slice(0, 12).map(({ name }, at) => `${name}\t${at + 1}.${200 + at}`)].join(
      '\n',
    );
    await page.evaluate((text) => {
      const clipboardData = new DataTransfer();
      clipboardData.setData('text/plain', text);
      document.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true }));
    }, cells);
    await page.getByText('Which numbers are meant?').waitFor();
    const ways = page.getByRole('group', { name: 'How Visitors is written' });
    expect(await ways.getByRole('radio').count()).toBe(2);
    await ways.getByRole('radio', { name: '1,200' }).click();
    await page.getByText('12 of 12 values are whole numbers from 1,200 to 12,211.').waitFor();
  }, 60_000);
});
