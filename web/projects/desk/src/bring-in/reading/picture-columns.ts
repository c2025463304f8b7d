import type { FileTable, ImportPlan } from '@plindo/core/exchange';
import { withColumnUse } from '@plindo/core/exchange';
import type { ZipFile } from './zip-file';

const ADDRESS = /^https?:\/\/\S+\.(jpe?g|png|webp|avif|gif)(\?\S*)?$/i;
const ENOUGH = 0.5;
const FIRST_VALUES = 200;

/** A picture that a row names: a file of the zip, or an address. */
export interface NamedPicture {
  readonly fieldKey: string;
  readonly name: string;
}

/** The plan with columns as pictures that name files of a zip, or addresses of pictures. */
export function withPictureColumns(plan: ImportPlan, table: FileTable, zip: ZipFile | null): ImportPlan {
  let result = plan;
  for (const { column, use, reading } of plan.columns) {
    if (use !== 'field' || !looksLikePictures(table, column, zip)) continue;
    const values = new Set(table.rows.map((row) => row[column]?.trim() ?? '').filter((value) => value !== ''));
    const named = [...values].filter((value) => isPicture(value, zip));
    if (named.length === 0 || named.length < values.size * ENOUGH) continue;
    const what = named.every((value) => ADDRESS.test(value)) ? 'are addresses of pictures' : 'name pictures in the zip';
    const reason = `${named.length} of ${values.size} different values ${what}.`;
    const proposal = { strength: 1, settings: {}, reason };
    const plain = { ...reading, separator: null, blankIsNo: false, emptyWords: [] };
    const proposed = { type: 'picture', proposal, reading: plain, emptied: 0 } as const;
    result = withReason(withColumnUse(result, column, { use: 'field', proposed }), column, reason);
  }
  return result;
}

/** The first values tell for most columns that they name none, without a look at all rows. */
function looksLikePictures({ rows }: FileTable, column: number, zip: ZipFile | null): boolean {
  let [seen, found] = [0, 0];
  for (let at = 0; at < rows.length && seen < FIRST_VALUES; at++) {
    const value = rows[at]![column]?.trim() ?? '';
    if (value === '') continue;
    seen++;
    if (isPicture(value, zip)) found++;
  }
  return found > 0;
}

/** Nobody has chosen that; the reason is what was found. */
function withReason(plan: ImportPlan, column: number, reason: string): ImportPlan {
  return {
    ...plan,
    columns: plan.columns.map((one) => (one.column === column ? { ...one, reason, isChosen: false } : one)),
  };
}

export function isPicture(value: string, zip: ZipFile | null): boolean {
  return ADDRESS.test(value) || (zip?.has(value) ?? false);
}

/** The pictures that a row names. */
export function picturesOf(row: readonly string[], plan: ImportPlan): NamedPicture[] {
  const keys = new Set(plan.fields.filter(({ type }) => type === 'picture').map(({ key }) => key));
  return plan.columns.flatMap(({ column, fieldKey }): NamedPicture[] => {
    const name = row[column]?.trim() ?? '';
    return fieldKey !== null && keys.has(fieldKey) && name !== '' ? [{ fieldKey, name }] : [];
  });
}
