import type { ColumnSample, Field, FieldTypeName, Proposal, ReadContext } from '../../structure/index.js';
import { makeField, withProposedUses } from '../../structure/index.js';
import { keyOf } from '../../values/index.js';
import type { Conventions, FileConventions } from '../conventions/conventions.js';
import { FileReading } from '../conventions/conventions.js';
import type { ColumnEvidence } from '../conventions/find-conventions.js';
import { conventionsOf, findConventions } from '../conventions/find-conventions.js';
import type { FileTable } from '../tables/file-table.js';
import type { ColumnPlan, ImportPlan } from './import-plan.js';
import { labelOf } from './labels.js';
import { findPlace } from './place-columns.js';
import type { ProposedType } from './propose-type.js';
import { halfOfPlace, proposalForType, proposeType } from './propose-type.js';
import { findTitle } from './title-column.js';

/** What is known of columns of a file, all of them unless some are named. */
export function sampleColumns(table: FileTable, context: ReadContext, columns?: readonly number[]): ColumnSample[] {
  const wanted = columns ?? table.headers.map((_, column) => column);
  return wanted.map((column) => sampleColumn(table, column, context));
}

/** One column after the other, as the few values of a column are found again sooner that way. */
function sampleColumn({ headers, rows }: FileTable, column: number, context: ReadContext): ColumnSample {
  const tally = new Map<string, number>();
  let filled = 0;
  let longest = 0;
  for (const row of rows) {
    const value = row[column]?.trim() ?? '';
    if (value === '') continue;
    filled++;
    tally.set(value, (tally.get(value) ?? 0) + 1);
    if (value.length > longest) longest = value.length;
  }
  return { header: headers[column] ?? '', tally, filled, longest, rows: rows.length, context };
}

/** What one column becomes when it is written in a way; `type` is what a person wants of it, null for the best. */
export function proposeColumn(
  table: FileTable,
  column: number,
  context: ReadContext,
  conventions: FileConventions,
  type: FieldTypeName | null,
): ProposedType {
  const [sample] = sampleColumns(table, new FileReading(context).by(conventions), [column]);
  return type === null ? proposeType(sample!, conventions) : proposalForType(type, sample!, conventions);
}

/** What a person has decided about how a file is written; what isn't there is found out. */
export type GivenConventions = Partial<FileConventions>;

/** A plan for the whole file: the title, places of paired columns, and a field for everything else. */
export function proposePlan(table: FileTable, context: ReadContext, given: GivenConventions = {}): ImportPlan {
  const plain = sampleColumns(table, context);
  const { found, columns: evidence } = findConventions(plain, table, context);
  const conventions = { ...found, ...given };
  const reading = new FileReading(context);
  const own = evidence.map((one, at) =>
    table.typed?.[at] ? conventionsOf(one, conventions) : ownConventions(one, conventions, given),
  );
  const samples = plain.map((sample, at) => ({ ...sample, context: reading.by(own[at]!) }));
  const place = findPlace(samples, (at) => samples[at]!.context.marks);
  const isHalf = (column: number): boolean => column === place?.latitude || column === place?.longitude;
  const proposals = samples.map((sample, at) => {
    const written = { ...conventions, ...own[at]! };
    return isHalf(at) ? halfOfPlace(written) : proposeType(sample, written);
  });
  const title = findTitle(
    samples,
    proposals.map(({ type }) => type),
    table.rows.length,
  );
  const fields = new Fields();
  const columns = samples.map((sample, column): ColumnPlan => {
    const proposed = proposals[column]!;
    const base = {
      column,
      header: sample.header,
      against: '',
      doubt: null,
      emptied: 0,
      reading: proposed.reading,
      isChosen: false,
    };
    if (column === title) {
      return { ...base, use: 'title', fieldKey: null, reason: 'Names each row, and few rows share a name.' };
    }
    if (place && isHalf(column)) {
      const use = column === place.latitude ? 'latitude' : 'longitude';
      const other = samples[use === 'latitude' ? place.longitude : place.latitude]?.header;
      return {
        ...base,
        use,
        fieldKey: fields.place(),
        reason: `Together with “${other}” it gives a place.`,
      };
    }
    const { type, proposal, emptied } = proposed;
    const field = fields.add(sample.header, type, proposal);
    const doubt = doubtOf(evidence[column]!, type, found, given);
    return {
      ...base,
      use: 'field',
      fieldKey: field.key,
      reason: proposal.reason,
      against: proposal.against ?? '',
      doubt,
      emptied,
    };
  });
  return { columns, fields: withProposedUses(fields.all), conventions };
}

/** A convention that a person has given counts for every column. */
function ownConventions(evidence: ColumnEvidence, file: Conventions, given: GivenConventions): Conventions {
  const { decimal, dateOrder } = conventionsOf(evidence, file);
  return { decimal: given.decimal ?? decimal, dateOrder: given.dateOrder ?? dateOrder };
}

const WITH_NUMBERS: ReadonlySet<FieldTypeName> = new Set(['whole-number', 'decimal', 'money', 'measure', 'range']);

/** What is not sure of a column: nothing in the file tells how its numbers, or its dates, are meant. */
function doubtOf(
  { hasEitherNumbers, hasEitherDates }: ColumnEvidence,
  type: FieldTypeName,
  { numbers, dates }: ImportPlan['conventions'],
  given: GivenConventions,
): ColumnPlan['doubt'] {
  if (hasEitherNumbers && !numbers.isDecided && given.decimal === undefined && WITH_NUMBERS.has(type)) return 'numbers';
  const isDate = type === 'date' || type === 'date-time';
  return hasEitherDates && !dates.isDecided && given.dateOrder === undefined && isDate ? 'dates' : null;
}

const PLACE_KEY = 'place';

/** Fields as they are made for the columns, one after the other. */
class Fields {
  readonly all: Field[] = [];
  private readonly taken = new Set<string>();

  add(header: string, type: FieldTypeName, proposal: Proposal): Field {
    const field = fieldForColumn(header, type, proposal, this.taken);
    this.taken.add(field.key);
    this.all.push(field);
    return field;
  }

  /** The key of the one place, which two columns make together. */
  place(): string {
    if (!this.all.some(({ key, type }) => key === PLACE_KEY && type === 'place')) {
      this.all.push(makeField({ key: PLACE_KEY, label: 'Place', type: 'place' }));
      this.taken.add(PLACE_KEY);
    }
    return PLACE_KEY;
  }
}

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
