import { readFileSync, readdirSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { openFile } from '@plindo/core/exchange';

const PHONE = 'Contact Phone Number';
const FOLDER = dirname(createRequire(import.meta.url).resolve('csv-spectrum/package.json'));

// csv-spectrum (npm, 2.0.0) has CSV files with what parsers have to make of each.
describe('The files of csv-spectrum', () => {
  for (const file of readdirSync(join(FOLDER, 'csvs'))) {
    it(`are read as its authors meant: ${file}`, async () => {
      const read = await openFile(readFileSync(join(FOLDER, 'csvs', file)));
      if (!read.ok) throw new Error(read.issue.message);
      const [{ table }] = read.value.tables;
      if (!table.ok) throw new Error(table.issue.message);
      const { headers, rows } = table.value;
      const records = rows.map((row) => Object.fromEntries(headers.map((header, at) => [header, row[at] ?? ''])));
      const json = readFileSync(join(FOLDER, 'json', file.replace('.csv', '.json')), 'utf8');
      const meant = [JSON.parse(json) as Record<string, string> | Record<string, string>[]].flat();
      // One of its files has another telephone number than what is told of it.
      if (file === 'location_coordinates.csv') for (const one of [meant[0]!, records[0]!]) delete one[PHONE];
      expect(records).toEqual(meant);
    });
  }
});
