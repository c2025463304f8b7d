import { readFileSync } from 'node:fs';
import type { Listing } from '@plindo/core/listings';
import { RowReader, dryRun, proposePlan, readCsv, readImportRow } from '@plindo/core/exchange';
import type { FileTable, ImportPlan } from '@plindo/core/exchange';
import { readContext } from '@plindo/core/structure';

/** The file of the open dataset package vega-datasets. */
export const AIRPORTS_CSV = readFileSync(
  new URL('../node_modules/vega-datasets/data/airports.csv', import.meta.url),
  'utf8',
);
export const CONTEXT = readContext({ locale: 'en-GB', zone: 'UTC', nowInMs: 0 });

/** The dataset with its latitude and longitude as two numbers, so that there are ranges to ask for. */
export function readAirports(): { table: FileTable; plan: ImportPlan } {
  const read = readCsv(AIRPORTS_CSV.replace('latitude,longitude', 'north,east'));
  if (!read.ok) throw new Error(read.issue.message);
  return { table: read.value, plan: proposePlan(read.value, CONTEXT) };
}

/** `n` listings made by repeating the rows of the dataset, each round a little further north and east. */
export function repeatAirports(n: number): { plan: ImportPlan; listings: Listing[] } {
  const { table, plan } = readAirports();
  if (dryRun(table, plan, 'refuse-row', CONTEXT).refused > 0) throw new Error('The dataset has changed.');
  const reader = new RowReader(table, plan, CONTEXT);
  const contents = table.rows.map((_, at) => {
    const outcome = readImportRow(reader.row(at, 'live'), plan, 'refuse-row', CONTEXT);
    if (outcome.kind === 'refused') throw new Error(`Row ${at} was refused.`);
    return outcome.content;
  });
  const listings = Array.from({ length: n }, (_, at): Listing => {
    const round = Math.floor(at / contents.length);
    const content = contents[at % contents.length]!;
    const { north, east } = content.values as { north: number; east: number };
    const values = { ...content.values, north: north + round / 1000, east: east + round / 1000 };
    const moments = { version: 1, createdAt: at, publishedAt: at, binnedAt: null, changedAt: at };
    const named = { slug: `airport-${at}`, address: `airport-${at}` };
    return { ...content, ...moments, ...named, values, id: at + 1, kindId: 1 };
  });
  return { plan, listings };
}
