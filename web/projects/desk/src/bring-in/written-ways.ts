import type { ColumnPlan, Conventions } from '@plindo/core/exchange';
import type { DateOrder, FieldTypeName } from '@plindo/core/structure';
import { numericDay } from '@plindo/core/structure';
import type { DecimalMark, Formats } from '@plindo/core/values';
import { numberEvidence, plainNumber } from '@plindo/core/values';

/** A way in which a column can be written. */
export interface WrittenWay {
  readonly label: string;
  readonly conventions: Partial<Conventions>;
  /** What the first cells come to, in words of the site. */
  readonly readings: readonly string[];
  readonly isChosen: boolean;
}

const DATES: ReadonlySet<FieldTypeName> = new Set(['date', 'date-time']);
const NUMBERS: ReadonlySet<FieldTypeName> = new Set(['whole-number', 'decimal']);
const MARKS: readonly DecimalMark[] = ['.', ','];
const ORDERS: readonly DateOrder[] = ['dmy', 'mdy', 'ymd'];

/** The ways in which cells of numbers or dates can be meant, side by side; none where there is only one. */
export function writtenWays(
  { reading }: ColumnPlan,
  type: FieldTypeName,
  cells: readonly string[],
  formats: Formats,
): WrittenWay[] {
  const filled = cells.filter((cell) => cell.trim() !== '');
  const isOpen = filled.some((cell) => numberEvidence(cell.trim()).kind === 'either');
  const ways =
    NUMBERS.has(type) && isOpen
      ? MARKS.map((decimal) =>
          way({ decimal }, reading.decimal === decimal, filled, (cell) => numberIn(cell, decimal, formats)),
        )
      : DATES.has(type)
        ? ORDERS.map((dateOrder) =>
            way({ dateOrder }, reading.dateOrder === dateOrder, filled, (cell) => dayIn(cell, dateOrder, formats)),
          )
        : [];
  const possible = ways.filter(({ readings }) => readings.length > 0 && readings.length === filled.length);
  // 01/01/2024 is the same day in two of them.
  const told = new Set(possible.map(({ readings }) => readings.join()));
  return told.size > 1 ? possible : [];
}

function way(
  conventions: Partial<Conventions>,
  isChosen: boolean,
  cells: readonly string[],
  read: (cell: string) => string | null,
): WrittenWay {
  const readings = cells.map(read).filter((text) => text !== null);
  return { label: JSON.stringify(conventions), conventions, readings, isChosen };
}

function numberIn(cell: string, decimal: DecimalMark, formats: Formats): string | null {
  const plain = plainNumber(cell, decimal);
  return plain === null ? null : formats.number(Number(plain));
}

function dayIn(cell: string, order: DateOrder, formats: Formats): string | null {
  const day = numericDay(cell, order);
  return day === null ? null : formats.dated(day * 86_400_000, 'short');
}
