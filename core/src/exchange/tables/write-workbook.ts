import type { CellObject } from '@e965/xlsx';
import { utils, write } from '@e965/xlsx';
import type { Field } from '../../structure/index.js';
import { fieldType } from '../../structure/index.js';
import type { Measure, Money } from '../../values/index.js';
import { minorDigits, unitSymbol } from '../../values/index.js';
import type { ExportColumn } from '../export-text.js';
import { exportText } from '../export-text.js';

/** Names of sheets are no longer, and hold none of these. */
const LONGEST_NAME = 31;
const NOT_IN_NAMES = /[\\/?*[\]:]/g;
const WIDTHS = { least: 10, most: 50 } as const;

/** A workbook of one sheet whose cells have the types of their fields; texts are never formulas in it. */
export function writeWorkbook<Row>(
  name: string,
  rows: readonly Row[],
  columns: readonly ExportColumn<Row>[],
): Uint8Array {
  const header = columns.map(({ field }): CellObject => ({ t: 's', v: field.label }));
  const cells = rows.map((row) => columns.map((column) => cellOf(column.valueOf(row), column.field)));
  const sheet = utils.aoa_to_sheet([header, ...cells], { UTC: true });
  sheet['!cols'] = columns.map(({ field }) => ({
    wch: Math.min(WIDTHS.most, Math.max(WIDTHS.least, field.label.length + 2)),
  }));
  const book = utils.book_new();
  utils.book_append_sheet(book, sheet, name.replace(NOT_IN_NAMES, ' ').slice(0, LONGEST_NAME) || 'Listings');
  return new Uint8Array(write(book, { type: 'array', bookType: 'xlsx', compression: true }) as ArrayBuffer);
}

function cellOf(value: unknown, field: Field): CellObject | null {
  if (!fieldType(field.type).holds(value)) return null;
  switch (field.type) {
    case 'whole-number':
    case 'decimal':
    case 'rating':
      return { t: 'n', v: value as number };
    case 'money': {
      const { minor, currency } = value as Money;
      const digits = minorDigits(currency);
      const decimals = digits === 0 ? '0' : `0.${'0'.repeat(digits)}`;
      return { t: 'n', v: minor / 10 ** digits, z: `${decimals} "${currency}"` };
    }
    case 'measure': {
      const { value: number, unit } = value as Measure;
      return { t: 'n', v: number, z: `General "${unitSymbol(unit)}"` };
    }
    case 'yes-no':
      return { t: 'b', v: value as boolean };
    case 'date':
      return { t: 'd', v: new Date(`${value as string}T00:00Z`), z: 'yyyy-mm-dd' };
    default:
      return { t: 's', v: exportText(value, field) };
  }
}
