import type { Field, FieldTypeName, Proposal, ReadContext, ColumnSample } from '../structure/index.js';
import { FIELD_TYPE_NAMES, choicesFromLabels, fieldType, makeField, withProposedUses } from '../structure/index.js';
import { foldText, keyOf, parseNumber } from '../values/index.js';
import type { CsvTable } from './csv.js';

/** What becomes of a column: a built-in part, a field, half of a place, or nothing. */
export type ColumnUse = 'title' | 'summary' | 'field' | 'latitude' | 'longitude' | 'nothing';

export interface ColumnPlan {
  readonly column: number;
  readonly header: string;
  readonly use: ColumnUse;
  /** Key of the field that it fills, for a field and for the halves of a place. */
  readonly fieldKey: string | null;
  /** What speaks for the use, and against it if anything does. */
  readonly reason: string;
  readonly against: string;
}

/** How a file is to become listings: which column goes where, and the fields that are made for it. */
export interface ImportPlan {
  readonly columns: readonly ColumnPlan[];
  readonly fields: readonly Field[];
}

/** What is known of one column of a file. */
export function sampleColumn(table: CsvTable, column: number, context: ReadContext): ColumnSample {
  const values: string[] = [];
  const tally = new Map<string, number>();
  let longest = 0;
  for (const row of table.rows) {
    const value = (row[column] ?? '').trim();
    if (value === '') continue;
    values.push(value);
    tally.set(value, (tally.get(value) ?? 0) + 1);
    longest = Math.max(longest, value.length);
  }
  return { header: table.headers[column] ?? '', values, tally, longest, context };
}

/** The field type that a column fits best. */
export function proposeType(sample: ColumnSample): { type: FieldTypeName; proposal: Proposal } {
  let best: { type: FieldTypeName; proposal: Proposal } | null = null;
  for (const type of sample.values.length === 0 ? [] : FIELD_TYPE_NAMES) {
    const proposal = fieldType(type).propose?.(sample);
    if (proposal && proposal.strength > (best?.proposal.strength ?? 0)) best = { type, proposal };
  }
  const nothing = { strength: 0, settings: {}, reason: 'The column is empty.' };
  return best ?? { type: 'short-text', proposal: nothing };
}

/** What can be said when a person gives a column a type of their own choice. */
export function proposalForType(type: FieldTypeName, sample: ColumnSample): Proposal {
  const proposal = fieldType(type).propose?.(sample);
  if (proposal) return proposal;
  const settings = type === 'one-choice' || type === 'several-choices' ? { choices: choicesOf(sample) } : {};
  return { strength: 0, settings, reason: 'You chose this.' };
}

function choicesOf(sample: ColumnSample): ReturnType<typeof choicesFromLabels> {
  return choicesFromLabels([...new Map([...sample.tally.keys()].map((label) => [foldText(label), label])).values()]);
}

/** A plan for the whole file: the title, places of paired columns, and a field for everything else. */
export function proposePlan(table: CsvTable, context: ReadContext): ImportPlan {
  const samples = table.headers.map((_, column) => sampleColumn(table, column, context));
  const proposals = samples.map(proposeType);
  const place = findPlace(samples);
  const title = findTitle(
    samples,
    proposals.map(({ type }) => type),
    table.rows.length,
  );
  const taken = new Set<string>();
  const fields: Field[] = [];
  const columns = samples.map((sample, column): ColumnPlan => {
    const base = { column, header: sample.header, against: '' };
    if (column === title) {
      const reason = 'Names each row, and few rows share a name.';
      return { ...base, use: 'title', fieldKey: null, reason };
    }
    if (place && (column === place.latitude || column === place.longitude)) {
      const isFirst = !fields.some(({ key }) => key === PLACE_KEY);
      if (isFirst) fields.push(makeField({ key: PLACE_KEY, label: 'Place', type: 'place' }));
      taken.add(PLACE_KEY);
      const use = column === place.latitude ? 'latitude' : 'longitude';
      const reason = `Together with “${samples[use === 'latitude' ? place.longitude : place.latitude]?.header}” it gives a place.`;
      return { ...base, use, fieldKey: PLACE_KEY, reason };
    }
    const { type, proposal } = proposals[column]!;
    const field = fieldForColumn(sample.header, type, proposal, taken);
    taken.add(field.key);
    fields.push(field);
    return { ...base, use: 'field', fieldKey: field.key, reason: proposal.reason, against: proposal.against ?? '' };
  });
  return { columns, fields: withProposedUses(fields) };
}

const PLACE_KEY = 'place';

/** A field made for a column, with a label for readers and a key of its own. */
export function fieldForColumn(
  header: string,
  type: FieldTypeName,
  proposal: Proposal,
  taken: ReadonlySet<string>,
): Field {
  const base = keyOf(header);
  let key = base;
  for (let n = 2; taken.has(key); n++) key = `${base}_${n}`;
  return makeField({ key, label: labelOf(header), type, settings: proposal.settings });
}

/** "lift_capacity" becomes "Lift capacity"; "IATA" stays. */
function labelOf(header: string): string {
  const words = header
    .replaceAll(/[_\s]+/g, ' ')
    .trim()
    .slice(0, 80);
  return words.charAt(0).toUpperCase() + words.slice(1);
}

const LATITUDE = /^(lat|latitude|y)$/;
const LONGITUDE = /^(lon|lng|long|longitude|x)$/;

function findPlace(samples: readonly ColumnSample[]): { latitude: number; longitude: number } | null {
  const find = (name: RegExp, limit: number): number =>
    samples.findIndex((sample) => name.test(foldText(sample.header)) && allWithin(sample, limit));
  const latitude = find(LATITUDE, 90);
  const longitude = find(LONGITUDE, 180);
  return latitude < 0 || longitude < 0 ? null : { latitude, longitude };
}

/** Whether nine in ten values are numbers within ± the limit. */
function allWithin({ values, context }: ColumnSample, limit: number): boolean {
  const within = values.filter((value) => Math.abs(parseNumber(value, context.marks) ?? NaN) <= limit);
  return values.length > 0 && within.length >= values.length * 0.9;
}

const NAMES_A_ROW = /^(name|title|label|designation|bezeichnung|nome|nombre|nom|titel|titre|titulo)$/;
const HOLDS_A_NAME = /(^|[\s_])(name|title)$/;
const LONGEST_TITLE_COLUMN = 200;

/** The column that names the rows: by its header, else the fullest and most varied text. */
function findTitle(samples: readonly ColumnSample[], types: readonly FieldTypeName[], rows: number): number {
  let best = 0;
  let bestScore = -Infinity;
  samples.forEach((sample, column) => {
    const fullness = sample.values.length / Math.max(1, rows);
    const variety = sample.tally.size / Math.max(1, sample.values.length);
    const header = foldText(sample.header);
    const named = NAMES_A_ROW.test(header) ? 3 : HOLDS_A_NAME.test(header) ? 1.5 : 0;
    const isText = types[column] === 'short-text' && sample.longest <= LONGEST_TITLE_COLUMN;
    const letters = sample.values.slice(0, 100).filter((value) => /\p{L}{4}/u.test(value)).length / 100;
    const score = (isText ? 2 : 0) + named + fullness + variety + letters - column / 1000;
    if (score > bestScore) [best, bestScore] = [column, score];
  });
  return best;
}
