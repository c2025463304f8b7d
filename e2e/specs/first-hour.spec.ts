import { utils, write } from '@e965/xlsx';
import { strToU8, zipSync } from 'fflate';
import sharp from 'sharp';
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
      await page.locator('pl-column-table').waitFor();
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

  const TOWNS = ['Ostrey', 'Sallow', 'Mirrow', 'Pellan', 'Windle', 'Étrave'];
  const CLINICS = Array.from({ length: 60 }, (_, at) => ({
    name: `Clinic ${String(at + 1).padStart(2, '0')}`,
    town: at < 2 ? 'Lost Bay' : TOWNS[(at * at) % TOWNS.length]!,
    beds: 10 + ((at * 7) % 40),
  }));
  const csv = (
    name: string,
    rows: readonly (readonly unknown[])[],
  ): { name: string; mimeType: string; buffer: Buffer } => {
    return { name, mimeType: 'text/csv', buffer: Buffer.from(rows.map((row) => row.join(',')).join('\n')) };
  };
  const publish = async (kind: string): Promise<void> => {
    await page.goto(address('/desk/arrange'));
    await page
      .getByRole('link', { name: new RegExp(`^${kind}`) })
      .first()
      .click();
    await page.getByRole('button', { name: /^Publish / }).click();
    await page.getByText(/ are published/).waitFor();
  };

  it('links two files that belong together, and counts the listings of each as their owner does', async () => {
    await page.goto(address('/desk/shape/from-file'));
    await page
      .locator('input[type=file]')
      .setInputFiles([
        csv('towns.csv', [['Name', 'Region'], ...TOWNS.map((town, at) => [town, at < 3 ? 'North' : 'South'])]),
        csv('clinics.csv', [['Name', 'Town', 'Beds'], ...CLINICS.map(({ name, town, beds }) => [name, town, beds])]),
      ]);
    await desk.nameKind('Town');
    await desk.bringIn();
    await page.getByRole('button', { name: 'Go on with clinics.csv' }).click();
    await page.getByText('60 rows, 3 columns').waitFor();
    await desk.nameKind('Clinic');
    await desk.bringIn();
    const idea = page.getByRole('region', { name: 'Town names Towns' });
    await idea.getByText('58 of 60 name one of them, by its title.').waitFor();
    await idea.getByText('2 don’t; what they say is kept aside').click();
    await idea.getByText('“Lost Bay” (2): no listing has this name').waitFor();
    await idea.getByRole('button', { name: 'Make it a link' }).click();
    await page.getByText('Town of Clinics leads to Towns now.').waitFor();
    for (const kind of ['Towns', 'Clinics']) await publish(kind);

    for (const town of TOWNS) {
      const own = CLINICS.filter((clinic) => clinic.town === town).length;
      if (own === 0) continue;
      const slug = town.toLowerCase().replace('é', 'e');
      await page.goto(address(`/clinics?town=${slug}`));
      expect(await page.getByRole('status').innerText())
        .withContext(town)
        .toMatch(new RegExp(`^${own} `));
    }
    const own = CLINICS.find(({ town }) => town === 'Sallow')!;
    await page.goto(address('/towns/sallow'));
    await page.locator('main').getByText(own.name).first().waitFor();
  }, 120_000);

  it('brings a file in again: what is new, what changes and what is missing is told before, and done as one', async () => {
    await desk.openTable('Clinics');
    await page.getByRole('button', { name: 'File', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Bring in a file' }).click();
    const rows = CLINICS.slice(1).map(({ name, beds }, at) => [name, at === 0 ? 99 : beds]);
    const file = csv('clinics-again.csv', [['Name', 'Beds'], ...rows, ['Clinic 61', 12], ['Clinic 62', 'several']]);
    await page.locator('input[type=file]').setInputFiles(file);
    await page.getByLabel('New listings begin as').selectOption('live');
    await page.getByRole('button', { name: 'Compare with what is there' }).click();
    const outcome = page.locator('section').filter({ has: page.getByRole('heading', { name: 'What will happen' }) });
    await outcome.getByText('1 new, 1 changed, 58 the same as before. 1 stays out.').waitFor();
    await outcome.getByRole('row', { name: /Clinic 02 Beds 17 99/ }).waitFor();
    await outcome.getByLabel(/1 listing is not in the file/).selectOption('hide');
    await outcome.getByRole('button', { name: 'Change 3 listings' }).click();
    await page.getByRole('heading', { name: 'clinics-again.csv is in' }).waitFor();
    await page.getByText('1 added, 1 changed, 1 hidden.').waitFor();
    const total = async (search: string): Promise<string> => {
      await page.goto(address(`/clinics${search}`));
      return page.getByRole('status').innerText();
    };
    expect(await total('?beds=99..99')).toMatch(/^1 /);
    expect(await total('')).toMatch(/^60 /);
    expect(await total('?q=01')).toMatch(/^(0|no) /i);
  }, 90_000);

  it('brings in pictures with the rows that name them, and tells which could not be had', async () => {
    const colours = ['#246', '#642', '#264'];
    const pictures = await Promise.all(
      colours.map((background) =>
        sharp({ create: { width: 60, height: 40, channels: 3, background } })
          .png()
          .toBuffer(),
      ),
    );
    const rows = ['Oak,oak.png', 'Elm,elm.png', 'Ash,ASH.PNG', 'Yew,lost.png', 'Fir,http://127.0.0.1/fir.png'];
    const zip = zipSync({
      'trees.csv': strToU8(['Name,Photo', ...rows].join('\n')),
      'photos/oak.png': pictures[0]!,
      'photos/elm.png': pictures[1]!,
      'photos/ash.png': pictures[2]!,
    });
    await desk.chooseFile({ name: 'trees.zip', mimeType: 'application/zip', buffer: Buffer.from(zip) });
    await page.getByText('4 of 5 different values name pictures in the zip.').waitFor();
    await desk.nameKind('Tree');
    await desk.bringIn();
    await page.getByText('2 pictures could not be brought in').waitFor();
    await page.getByText('The zip has no picture called “lost.png”.').waitFor();
    await page.getByText('it is not on the public internet').waitFor();
    await publish('Trees');
    await page.goto(address('/trees/oak'));
    const shown = page.locator('main img').first();
    await shown.waitFor();
    expect(await shown.evaluate((picture) => (picture as HTMLImageElement).naturalWidth)).toBeGreaterThan(0);
  }, 90_000);

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
