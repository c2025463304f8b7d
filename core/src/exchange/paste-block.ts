import Papa from 'papaparse';
import type { Field, ReadContext } from '../structure/index.js';
import { readRequired } from '../structure/index.js';

/** A block of cells as a spreadsheet puts it on the clipboard: rows parted by line ends, cells by tabs. */
export function parseBlock(text: string): string[][] {
  const { data } = Papa.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' });
  return data;
}

/** A place where a block is pasted: the rows and columns from its upper left corner on. */
export interface PasteTarget<Row> {
  readonly rows: readonly Row[];
  readonly fields: readonly Field[];
  titleOf(row: Row): string;
  isEditable(field: Field): boolean;
}

export interface PastedCell<Row> {
  readonly row: Row;
  readonly field: Field;
  readonly value: unknown;
}

export interface RefusedCell {
  readonly title: string;
  readonly label: string;
  readonly message: string;
}

export interface PastePlan<Row> {
  readonly cells: readonly PastedCell<Row>[];
  readonly refused: readonly RefusedCell[];
  /** Cells of the block that lie beyond the last row or column. */
  readonly beyond: number;
}

/** What pasting a block comes to: which cells change, and which are refused and why. */
export function planPaste<Row>(
  block: readonly (readonly string[])[],
  { rows, fields, titleOf, isEditable }: PasteTarget<Row>,
  context: ReadContext,
): PastePlan<Row> {
  const cells: PastedCell<Row>[] = [];
  const refused: RefusedCell[] = [];
  let beyond = 0;
  block.forEach((texts, down) => {
    texts.forEach((text, right) => {
      const [row, field] = [rows[down], fields[right]];
      if (row === undefined || !field) {
        beyond++;
        return;
      }
      const where = { title: titleOf(row), label: field.label };
      if (!isEditable(field)) {
        refused.push({ ...where, message: `${field.label} cannot be changed in the table.` });
        return;
      }
      const read = readRequired(text, field, context);
      if (!read.ok) refused.push({ ...where, message: read.issue.message });
      else cells.push({ row, field, value: read.value });
    });
  });
  return { cells, refused, beyond };
}
