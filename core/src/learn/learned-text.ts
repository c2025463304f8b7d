import { writeCsv } from '../exchange/index.js';
import type { Formats } from '../values/index.js';
import type { CellKind, LearnedCell, LearnedTable } from './learned-table.js';

const DAY_IN_MS = 86_400_000;
const HOURS_A_DAY = 24;

/** A cell for readers; '' where there is nothing to tell. */
export function cellText(cell: LearnedCell, kind: CellKind, formats: Formats): string {
  if (cell === null || typeof cell === 'string') return cell ?? '';
  switch (kind) {
    case 'share':
      return `${formats.number(Math.round(cell * 100))} %`;
    case 'day':
      return formats.dated(cell * DAY_IN_MS, 'long');
    case 'days':
      return spanText(cell, formats);
    default:
      return formats.number(cell);
  }
}

/** "3 days", "5 hours". */
function spanText(days: number, formats: Formats): string {
  const isShort = days < 1;
  const amount = Math.round(isShort ? days * HOURS_A_DAY : days);
  const unit = isShort ? 'hour' : 'day';
  return `${formats.number(amount)} ${unit}${amount === 1 ? '' : 's'}`;
}

/** A table as a file (RFC 4180): numbers as such with a point, days as 2026-12-04 (ISO 8601), shares as parts of 1. */
export function learnedCsv({ columns, rows }: LearnedTable): string {
  const plain = (cell: LearnedCell, kind: CellKind): string => {
    if (cell === null || typeof cell === 'string') return cell ?? '';
    if (kind === 'day') return new Date(cell * DAY_IN_MS).toISOString().slice(0, 10);
    return String(kind === 'times' ? cell : Number(cell.toFixed(4)));
  };
  return writeCsv(
    columns.map(({ label }) => label),
    rows.map(({ cells }) => cells.map((cell, at) => plain(cell, columns[at]!.kind))),
  );
}
