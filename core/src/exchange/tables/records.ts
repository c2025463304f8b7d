import type { Result } from '../../values/index.js';
import { issue, keyOf, refuse } from '../../values/index.js';
import { axisOf } from '../columns/place-columns.js';
import type { FileTable } from './file-table.js';
import { tableOf } from './file-table.js';

/** What a file of records is called. */
export type RecordFormat = 'JSON' | 'NDJSON' | 'GeoJSON';

type JsonRecord = Readonly<Record<string, unknown>>;

/** The format of a text that holds records; null for any other text. */
export function recordFormat(text: string): RecordFormat | null {
  const start = text.replace(/^\ufeff/, '').trimStart();
  if (start.startsWith('[')) return 'JSON';
  if (!start.startsWith('{')) return null;
  const [first = ''] = start.split('\n', 1);
  if (isObject(parsed(first)) && start.length > first.length + 1) return 'NDJSON';
  return /"type"\s*:\s*"(Feature|FeatureCollection)"/.test(start) ? 'GeoJSON' : 'JSON';
}

/**
 * The records of a text as a table, a column for each key. Records inside of records stay together, as JSON in a cell; halves
 * of a place and amounts with their unit are taken apart, or together, as people write them.
 */
export function readRecords(text: string, format: RecordFormat): Result<FileTable> {
  const body = text.replace(/^\ufeff/, '');
  const read = format === 'NDJSON' ? linesOf(body) : wholeOf(body, format);
  if (!read.ok) return read;
  const { records, lines } = read.value;
  const flat = records.map((record) => flattened(record));
  const headers = [...new Set(flat.flatMap((one) => [...one.keys()]))];
  const rows = flat.map((one) => headers.map((header) => textOf(one.get(header))));
  const typed = headers.map((header) => flat.some((one) => isTyped(one.get(header))));
  return tableOf({ delimiter: '', header: headers, rows, lines, typed });
}

interface Records {
  readonly records: readonly JsonRecord[];
  readonly lines: readonly number[];
}

function linesOf(body: string): Result<Records> {
  const records: JsonRecord[] = [];
  const lines: number[] = [];
  for (const [at, line] of body.split('\n').entries()) {
    if (line.trim() === '') continue;
    const record = parsed(line);
    if (!isObject(record))
      return refuse(issue('file.not-records', { reason: `line ${at + 1} is no record.` }, { line: at + 1 }));
    records.push(record);
    lines.push(at + 1);
  }
  return { ok: true, value: { records, lines } };
}

function wholeOf(body: string, format: RecordFormat): Result<Records> {
  let root: unknown;
  try {
    root = JSON.parse(body);
  } catch (error) {
    return refuse(issue('file.not-records', { reason: (error as Error).message }));
  }
  const found = format === 'GeoJSON' ? featuresOf(root) : listIn(root);
  if (!found?.every(isObject)) {
    return refuse(issue('file.not-records', { reason: 'it holds no list of records.' }));
  }
  return { ok: true, value: { records: found, lines: found.map((_, at) => at + 1) } };
}

/** The list of records itself, or the longest one inside of an object, such as under "data". */
function listIn(root: unknown): readonly unknown[] | null {
  if (Array.isArray(root)) return root as readonly unknown[];
  if (!isObject(root)) return null;
  const lists = Object.values(root).filter((value): value is unknown[] => Array.isArray(value) && value.some(isObject));
  return lists.sort((a, b) => b.length - a.length)[0] ?? [root];
}

/** The properties of features with their points (RFC 7946: longitude first); other shapes have no place. */
function featuresOf(root: unknown): JsonRecord[] | null {
  const features = isObject(root) && Array.isArray(root['features']) ? (root['features'] as unknown[]) : [root];
  if (!features.every(isObject)) return null;
  return features.map(({ id, properties, geometry }) => {
    const point = isObject(geometry) && geometry['type'] === 'Point' ? geometry['coordinates'] : null;
    const [longitude, latitude] = Array.isArray(point) ? (point as unknown[]) : [];
    const own = isObject(properties) ? properties : {};
    return { ...(id !== undefined && { id }), ...own, ...(latitude !== undefined && { latitude, longitude }) };
  });
}

/** Its values by their keys; the halves of a place that lies inside of it by both names. */
function flattened(record: JsonRecord): Map<string, unknown> {
  const found = new Map<string, unknown>();
  for (const [key, value] of Object.entries(record)) {
    const isPlace =
      isObject(value) && Object.keys(value).length === 2 && Object.keys(value).every((own) => axisOf(own));
    if (isPlace) for (const [half, degrees] of Object.entries(value)) found.set(`${key} ${half}`, degrees);
    else found.set(key, value);
  }
  return found;
}

/** "12.5 EUR", "3 m": an amount with what it is counted in; null for any other record. */
function amountOf(record: JsonRecord): string | null {
  const entries = Object.entries(record);
  const amount = entries.find(([key]) => AMOUNT.test(key))?.[1];
  const unit = entries.find(([key]) => UNIT.test(key))?.[1];
  return entries.length === 2 && typeof amount === 'number' && typeof unit === 'string' ? `${amount} ${unit}` : null;
}

/** A record inside of another one: by keys that fields can have, what lies deeper as a text. */
function inside(record: JsonRecord): JsonRecord {
  const entries = Object.entries(record).map(([key, value]): [string, unknown] => {
    const isPlain = value === null || typeof value !== 'object';
    return [keyOf(key), isPlain ? value : textOf(value)];
  });
  return Object.fromEntries(entries);
}

const AMOUNT = /^(amount|value)$/i;
const UNIT = /^(currency|unit)$/i;

function textOf(value: unknown): string {
  if (value === null || value === undefined) return '';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (isObject(value)) return amountOf(value) ?? JSON.stringify(inside(value));
  if (Array.isArray(value) && value.some(isObject)) return JSON.stringify(value.filter(isObject).map(inside));
  if (Array.isArray(value))
    return value
      .map(textOf)
      .filter((text) => text !== '')
      .join('; ');
  return String(value as string | number);
}

function isTyped(value: unknown): boolean {
  return typeof value === 'number' || typeof value === 'boolean';
}

function isObject(value: unknown): value is JsonRecord {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
