import type { DateOrder, ReadContext } from '../../structure/index.js';
import { lazyMonthNames } from '../../structure/index.js';
import type { DecimalMark } from '../../values/index.js';

/** How a file, or one column of it, writes numbers and dates. */
export interface Conventions {
  readonly decimal: DecimalMark;
  readonly dateOrder: DateOrder;
}

/** How a file writes its values, with the words by which it says that it has none: "N/A", "-". */
export interface FileConventions extends Conventions {
  readonly emptyWords: readonly string[];
}

/** What speaks for a convention: in how many columns, of how many with such values. */
export interface Evidence {
  /** Columns that speak for it. */
  readonly columns: number;
  /** Columns that have such values. */
  readonly of: number;
  /** False where no value tells; then the convention is the likeliest by the delimiter or by the site. */
  readonly isDecided: boolean;
}

/** How a file is written, as it was found out from all its columns together. */
export interface FoundConventions extends FileConventions {
  readonly numbers: Evidence;
  readonly dates: Evidence;
  /** What stands between thousands, as it was seen first; '' for nothing. */
  readonly group: string;
  /** All columns that speak for one of the two. */
  readonly columns: number;
  /** Words that stand for nothing in some column, with how often they occur. */
  readonly foundWords: readonly { readonly word: string; readonly times: number }[];
}

/** Reads by the conventions of a file, or of a column, in the place of those of the site. */
export class FileReading {
  private readonly monthOf = lazyMonthNames();
  private readonly known = new Map<string, ReadContext>();

  constructor(private readonly context: ReadContext) {}

  by({ decimal, dateOrder }: Conventions): ReadContext {
    const key = `${decimal} ${dateOrder}`;
    const { monthOf } = this;
    const marks = { decimal, group: decimal === '.' ? ',' : '.', written: decimal };
    const made = this.known.get(key) ?? { ...this.context, marks, manner: { dateOrder, monthOf } };
    this.known.set(key, made);
    return made;
  }
}
