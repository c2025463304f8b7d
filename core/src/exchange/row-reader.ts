import type { Status } from '../listings/index.js';
import { LONGEST_SUMMARY } from '../listings/index.js';
import type { Field, FieldTypeName, ReadContext } from '../structure/index.js';
import { LONGEST_TITLE, fieldType } from '../structure/index.js';
import type { Axis } from '../values/index.js';
import { hasNul, parseDegrees } from '../values/index.js';
import type { CellReading, ColumnPlan, ImportPlan } from './columns/import-plan.js';
import { FileReading } from './conventions/conventions.js';
import type { FileTable } from './tables/file-table.js';
import type { ImportRow } from './import-rows.js';

/** Types whose values depend on how a file is written; texts of all others are read by their field alone. */
const WRITTEN: ReadonlySet<FieldTypeName> = new Set([
  ...(['whole-number', 'decimal', 'money', 'measure', 'range', 'rating', 'date', 'date-time', 'place'] as const),
]);
/** So many different texts of a column are remembered with what they come to. */
const MOST_REMEMBERED = 20_000;
/** After so many cells a column of which fewer than one in ten came back is remembered no longer. */
const TRIED = 2000;
const LEAST_REPEATED = 0.1;

/** What a cell comes to. */
interface ReadCell {
  /** A value as every site reads it, or the text where its field is asked. */
  readonly value: unknown;
  /** The text where it is not written as the file writes such values; null for one that is. */
  readonly unread: string | null;
  /** Whether its field takes it, whoever asks. */
  readonly isSure: boolean;
}

/** Reads the rows of a file as their plan has them written: what comes out is the same wherever it is read again. */
export class RowReader {
  private readonly columns: readonly CellReader[];

  constructor(
    private readonly table: FileTable,
    plan: ImportPlan,
    context: ReadContext,
  ) {
    const reading = new FileReading(context);
    const byKey = new Map(plan.fields.map((field) => [field.key, field]));
    this.columns = plan.columns
      .filter(({ use }) => use !== 'nothing')
      .map((column) => new CellReader(column, byKey.get(column.fieldKey ?? ''), reading.by(column.reading)));
  }

  /** A row by its position. One with more cells than the header has columns has an issue instead. */
  row(at: number, status: Status): ImportRow {
    const cells = this.table.rows[at] ?? [];
    const values: Record<string, unknown> = {};
    const unread: Record<string, string> = {};
    const input: { title?: string; summary?: string; slug?: string } = {};
    for (const reader of this.columns) {
      const { column, use, fieldKey } = reader.plan;
      const cell = cells[column] ?? '';
      if (use === 'title') input.title = cell;
      if (use === 'summary') input.summary = cell;
      if (use === 'slug') input.slug = cell.trim();
      if (fieldKey === null) continue;
      const read = reader.read(cell);
      if (read.unread !== null) unread[fieldKey] = [unread[fieldKey], read.unread].filter(Boolean).join(', ');
      else if (use === 'field') values[fieldKey] = read.value;
      else values[fieldKey] = { ...(values[fieldKey] as object | undefined), [use]: read.value };
    }
    for (const key of Object.keys(unread)) delete values[key];
    const row = { line: this.table.lines[at] ?? 0, input: { ...input, values, status } };
    const own = Object.keys(unread).length > 0 ? { ...row, unread } : row;
    return this.hasSurplus(cells)
      ? { ...own, surplus: { found: cells.length, wanted: this.table.headers.length } }
      : own;
  }

  /** Whether a row comes in for certain: the rules of its title and of each field take what it holds. */
  isSure(at: number): boolean {
    const cells = this.table.rows[at] ?? [];
    if (this.hasSurplus(cells)) return false;
    const halves = { latitude: 0, longitude: 0 };
    for (const reader of this.columns) {
      const { column, use } = reader.plan;
      const cell = cells[column] ?? '';
      if (
        use === 'title' ? !isPlainTitle(cell) : use === 'summary' ? !isPlainSummary(cell) : !reader.read(cell).isSure
      ) {
        return false;
      }
      if (use === 'latitude' || use === 'longitude') halves[use] = cell.trim() === '' ? 1 : 2;
    }
    // A place with only one coordinate is no place.
    return halves.latitude === halves.longitude;
  }

  private hasSurplus(cells: readonly string[]): boolean {
    const { length: wanted } = this.table.headers;
    return cells.length > wanted && cells.slice(wanted).some((cell) => cell.trim() !== '');
  }
}

/** Titles and summaries that need no closer look. */
function isPlainTitle(text: string): boolean {
  return text.length <= LONGEST_TITLE && /[\p{L}\p{N}]/u.test(text) && !hasNul(text);
}

function isPlainSummary(text: string): boolean {
  return text.length <= LONGEST_SUMMARY && !hasNul(text);
}

/** Reads the cells of one column, texts that come again once. */
class CellReader {
  private readonly known = new Map<string, ReadCell>();
  private cells = 0;
  private repeated = 0;
  private remembers = true;

  constructor(
    readonly plan: ColumnPlan,
    private readonly field: Field | undefined,
    private readonly context: ReadContext,
  ) {}

  read(cell: string): ReadCell {
    if (!this.remembers) return this.readAnew(cell.trim());
    const known = this.known.get(cell);
    this.cells++;
    if (known) {
      this.repeated++;
      return known;
    }
    const read = this.readAnew(cell.trim());
    if (this.known.size < MOST_REMEMBERED) this.known.set(cell, read);
    if (this.cells === TRIED && this.repeated < TRIED * LEAST_REPEATED) this.forget();
    return read;
  }

  private forget(): void {
    this.known.clear();
    this.remembers = false;
  }

  private readAnew(text: string): ReadCell {
    const { use, reading } = this.plan;
    if (text === '' || reading.emptyWords.includes(text)) return this.blank();
    if (use === 'latitude' || use === 'longitude') return this.half(text, use);
    const { field } = this;
    if (!field) return { value: text, unread: null, isSure: !hasNul(text) };
    const given = reading.separator === null ? text : entriesOf(text, reading);
    const found = fieldType(field.type).read(given, field, this.context);
    const isSure = found.ok && !(found.value === null && field.required) && !hasNul(text);
    if (!WRITTEN.has(field.type)) return { value: given, unread: null, isSure };
    return found.ok ? { value: found.value, unread: null, isSure } : { value: null, unread: text, isSure };
  }

  private blank(): ReadCell {
    const isNo = this.plan.reading.blankIsNo;
    return { value: isNo ? false : '', unread: null, isSure: isNo || !this.field?.required };
  }

  private half(text: string, axis: Axis): ReadCell {
    const value = parseDegrees(text, axis, this.context.marks);
    return { value, unread: value === null ? text : null, isSure: value !== null };
  }
}

function entriesOf(text: string, { separator }: CellReading): string[] {
  return text
    .split(separator!)
    .map((entry) => entry.trim())
    .filter((entry) => entry !== '');
}
