import type { Field, KindDefinition, ReadContext } from '../../structure/index.js';
import { fieldByKey, fieldType } from '../../structure/index.js';
import { foldText } from '../../values/index.js';
import type { CellReading, ColumnPlan, ColumnUse, ImportPlan } from '../columns/import-plan.js';
import { axisOf } from '../columns/place-columns.js';
import type { GivenConventions } from '../columns/propose-columns.js';
import { proposeColumn, proposePlan } from '../columns/propose-columns.js';
import type { FileTable } from '../tables/file-table.js';

/** Where a column of a file goes in a kind that is there. */
export interface ColumnTarget {
  readonly use: ColumnUse;
  /** Null where the column goes to no field. */
  readonly fieldKey: string | null;
}

const LEFT_OUT: ColumnTarget = { use: 'nothing', fieldKey: null };
const PARTS: Readonly<Record<string, ColumnUse>> = {
  title: 'title',
  name: 'title',
  summary: 'summary',
  address: 'slug',
};

/** Fields that a file can fill: those that hold values of their own which can be written as a text. */
export function fieldsForColumns({ fields }: Pick<KindDefinition, 'fields'>): Field[] {
  return fields.filter(({ type }) => fieldType(type).control !== 'none' && !NOT_IN_FILES.includes(type));
}

const NOT_IN_FILES: readonly Field['type'][] = ['link', 'picture', 'pictures', 'file', 'group', 'rows'];

/** The plan by which a file goes into a kind that is there: each column to the field that is called like it. */
export function planForKind(
  table: FileTable,
  kind: Pick<KindDefinition, 'fields'>,
  context: ReadContext,
  given: GivenConventions = {},
): ImportPlan {
  const plain = proposePlan(table, context, given);
  const fields = fieldsForColumns(kind);
  const targets = targetsOf(table.headers, fields);
  const columns = plain.columns.map((column, at): ColumnPlan => {
    const target = targets[at]!;
    const field = fields.find(({ key }) => key === target.fieldKey);
    const reading = field && target.use === 'field' ? readingFor(table, plain, at, field, context) : column.reading;
    const reason = target.use === 'nothing' ? whyLeftOut(column.header, kind) : 'The field has this name.';
    return { ...column, ...target, reading, reason, against: '', doubt: null, emptied: 0 };
  });
  return { columns, fields: kind.fields, conventions: plain.conventions };
}

function whyLeftOut(header: string, { fields }: Pick<KindDefinition, 'fields'>): string {
  const isThere = fields.some(({ key, label }) => [label, key].map(foldText).includes(foldText(header)));
  return isThere ? 'Links, pictures, files and groups of it stay as they are.' : 'No field has this name.';
}

/** How the cells of a column are read for a field, by the conventions that its file has been found to follow. */
function readingFor(
  table: FileTable,
  { columns, conventions }: ImportPlan,
  column: number,
  { type }: Field,
  context: ReadContext,
): CellReading {
  const { decimal, dateOrder } = columns[column]!.reading;
  const written = { emptyWords: conventions.emptyWords, decimal, dateOrder };
  return proposeColumn(table, column, context, written, type).reading;
}

function targetsOf(headers: readonly string[], fields: readonly Field[]): ColumnTarget[] {
  const taken = new Set<string>();
  const take = (target: ColumnTarget): ColumnTarget => {
    const name = `${target.use} ${target.fieldKey}`;
    if (taken.has(name)) return LEFT_OUT;
    taken.add(name);
    return target;
  };
  const places = fields.filter(({ type }) => type === 'place');
  return headers.map((header) => {
    const name = foldText(header);
    const field = fields.find(({ key, label }) => name === foldText(label) || name === foldText(key));
    if (field) return take({ use: 'field', fieldKey: field.key });
    const part = PARTS[name];
    if (part) return take({ use: part, fieldKey: null });
    const axis = axisOf(header);
    return axis && places.length === 1 ? take({ use: axis, fieldKey: places[0]!.key }) : LEFT_OUT;
  });
}

/** The plan with a column going elsewhere; the one that went there before is left out. */
export function withTarget(
  plan: ImportPlan,
  column: number,
  target: ColumnTarget,
  reading: CellReading = plan.columns[column]!.reading,
): ImportPlan {
  const isSame = (other: ColumnPlan): boolean =>
    target.use !== 'nothing' && other.use === target.use && other.fieldKey === target.fieldKey;
  const columns = plan.columns.map((other): ColumnPlan => {
    if (other.column === column) return { ...other, ...target, reading, reason: 'You chose this.', isChosen: true };
    return isSame(other) ? { ...other, ...LEFT_OUT, reason: 'Another column goes there.' } : other;
  });
  return { ...plan, columns };
}

/** What keeps a file from going into a kind, in a sentence; null when nothing does. */
export function planForKindProblem({ columns, fields }: ImportPlan, by: string): string | null {
  if (columns.every(({ use }) => use === 'nothing')) return 'Choose where at least one column goes.';
  if (!columns.some((column) => namesBy(column, by))) {
    const label = by === '@title' ? 'the title' : by === '@slug' ? 'the address' : fieldByKey({ fields }, by)?.label;
    return `No column holds ${label ?? by}, by which the rows are matched. Match them by something else.`;
  }
  const halves = columns.filter(({ use }) => use === 'latitude' || use === 'longitude');
  return halves.length === 1 ? 'A place needs a column for its latitude and one for its longitude.' : null;
}

/** Whether a column holds what names listings: their title, their address, or a field. */
export function namesBy({ use, fieldKey }: ColumnTarget, by: string): boolean {
  if (by === '@title' || by === '@slug') return use === by.slice(1);
  return use === 'field' && fieldKey === by;
}
